import type { TapeReading } from '@plain-cleat/core/boat/hull';
import { readRigFile, type RigFile } from '@plain-cleat/core/rig';
import type { UnitSystem } from '@plain-cleat/core/base/units';
import { workUpAll } from '@plain-cleat/core/workup';
import { badInput } from '../problems/problem';
import { serve } from '../workers/serve';
import { readFound, readOffsets, readOutline } from './drawing';
import { seeSignature, takePhoto, type TakenPhoto } from './photo';
import { readSheetFile, type SheetCells } from './sheet';

/** A rig file, read and worked up once: what cannot be worked up is not taken in. */
function readRig(text: string): RigFile {
  const read = readRigFile(text);
  if (!read.ok) throw badInput(read.faults);
  const { plan, hull, ledger, shop } = read.file;
  try {
    workUpAll({ plan, hull, shop, facts: ledger, catalog: read.file, asOf: plan.opened });
  } catch (error) {
    throw badInput([{ field: '(whole)', says: `this rig cannot be worked up: ${(error as Error).message.slice(0, 200)}` }]);
  }
  return read.file;
}

/** Everything that people bring, by its kind; this runs in a process of its own. */
const READERS = {
  sheet: (bytes: Uint8Array): Promise<SheetCells> => readSheetFile(Buffer.from(bytes)),
  offsets: (text: string): TapeReading[] => readOffsets(text),
  outline: (kind: 'svg' | 'dxf', text: string, heights: { gunwale: number; keel: number }): TapeReading[] =>
    readOutline(kind, text, heights),
  found: (text: string, units: UnitSystem): ReturnType<typeof readFound> => readFound(text, units),
  photo: (bytes: Uint8Array): Promise<TakenPhoto> => takePhoto(Buffer.from(bytes)),
  signature: (address: string): Promise<void> => seeSignature(address),
  rig: (text: string): RigFile => readRig(text),
};
export type Readers = typeof READERS;

serve(READERS);
