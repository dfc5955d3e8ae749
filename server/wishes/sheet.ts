import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { badInput } from '../http/problem';
import { SHEET, type SheetAnswer } from './limits';

const refuse = (says: string): never => {
  throw badInput([{ field: 'file', says }]);
};

/**
 * The cells of an owner's CSV or XLSX. Read by a process of its own with little memory and little time, so
 * that a hostile file ends that one and not the server.
 */
export async function readSheetFile(bytes: Buffer): Promise<{ cells: string[][]; dropped: number }> {
  if (bytes.length === 0) return refuse('the file is empty');
  if (bytes.subarray(0, 4).equals(Buffer.from([0xd0, 0xcf, 0x11, 0xe0])))
    return refuse('an old .xls workbook: save it as .xlsx or CSV and send that');
  const answer = await inAReader(bytes);
  return answer.ok ? answer : refuse(answer.says);
}

function inAReader(bytes: Buffer): Promise<SheetAnswer> {
  const lost: SheetAnswer = { ok: false, says: 'it cannot be read: far too large inside. Save the wish list alone, as CSV' };
  return new Promise((resolve) => {
    const reader = fork(fileURLToPath(new URL('./sheet-reader.ts', import.meta.url)), {
      execArgv: [...process.execArgv, `--max-old-space-size=${SHEET.memoryMb}`],
      serialization: 'advanced',
      stdio: 'ignore',
      env: {},
    });
    const done = (answer: SheetAnswer): void => {
      clearTimeout(slow);
      reader.kill('SIGKILL');
      resolve(answer);
    };
    const slow = setTimeout(
      () => done({ ...lost, says: `reading it took over ${SHEET.seconds} seconds; send the wish list alone, as CSV` }),
      SHEET.seconds * 1000,
    );
    reader.once('message', (answer) => done(answer as SheetAnswer));
    reader.once('error', () => done(lost));
    reader.once('exit', () => done(lost));
    reader.send(bytes);
  });
}
