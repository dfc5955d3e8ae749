import { z } from 'zod';
import { calculation } from './calculation';
import { lengthParts, parseLength, printLength, printLong } from './length';
import { SOURCES } from './source';

const system = z.enum(['imperial', 'metric']);

export const readLength = calculation(
  'read-length',
  'Reads a length as riggers write it',
  z.strictObject({ text: z.string().max(200), system }),
  [SOURCES.sp811],
  ({ text, system: s }) => parseLength(text, s),
);

export const writeLength = calculation(
  'write-length',
  'Prints a length to the sixteenth or millimetre, and the way wire is cut',
  z.strictObject({ mm: z.number().min(-1e6).max(1e6), system, how: z.enum(['nearest', 'up', 'down']).default('nearest') }),
  [SOURCES.sp811],
  ({ mm, system: s, how }) => ({ text: printLength(mm, s, how), parts: lengthParts(mm, s, how), cut: printLong(mm, s) }),
);
