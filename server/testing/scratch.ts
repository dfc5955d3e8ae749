import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder for what a spec writes; it goes with the process. */
export function scratchFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'plain-cleat-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}
