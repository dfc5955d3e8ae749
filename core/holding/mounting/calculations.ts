import { z } from 'zod';
import { calculation, SOURCES } from '../../base/units';
import { boltName, chooseBolt, nutted } from './fastener';
import { findThread, readRivet, rivetFor, THREADS } from './tables';

const mm = z.number().min(0).max(500);
const threadName = z.enum(THREADS.map((t) => t.name) as [string, ...string[]]);

export const clearance = calculation(
  'clearance',
  'Clearance holes, nut and washer of a thread',
  z.strictObject({ thread: threadName }),
  [SOURCES.iso273, SOURCES.inchClearance],
  ({ thread }) => findThread(thread),
);

export const boltLength = calculation(
  'bolt-length',
  'The shortest bolt sold that clears its stack',
  z.strictObject({
    thread: threadName,
    base: mm,
    gasket: mm.default(1),
    wall: mm,
    plate: mm.default(0),
    nut: z.enum(['lock', 'plain']).default('lock'),
  }),
  [SOURCES.iso4032, SOURCES.iso7089, SOURCES.asmeNuts],
  ({ thread, nut, ...stack }) => {
    const found = findThread(thread);
    if (!found) return null;
    const choice = chooseBolt(found, stack, nutted(found, nut));
    return choice.ok ? { ...choice, name: boltName(found, choice.length) } : choice;
  },
);

export const rivetGrade = calculation(
  'rivet-grade',
  'Diameter, drill and grip of a blind rivet grade',
  z.strictObject({ grade: z.string().max(4) }),
  [SOURCES.ifi114],
  ({ grade }) => readRivet(grade) ?? null,
);

export const rivetGrip = calculation(
  'rivet-grip',
  'The rivet of a diameter whose grip takes a stack',
  z.strictObject({ grade: z.string().max(4).describe('any grade of the diameter, such as 64'), stack: mm }),
  [SOURCES.ifi114],
  ({ grade, stack }) => rivetFor(grade, stack) ?? null,
);
