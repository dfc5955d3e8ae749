import {
  CHECK_WORDS,
  checkDetail,
  READ_WORDS,
  testDetail,
  type BenchCheck,
  type BenchTest,
  type CableChecked,
} from '../../electric/bench-test';
import { printVolts } from '../../electric/circuits';
import { entryOf, type Plan } from '../../rig';
import { say, over } from '../../base/units';
import { cablesOf } from '../../electric/wiring';
import { check } from './check';
import { findingKey, type Judged, type Raw } from './finding';
import { aboutRun, nameIn } from './wires';

const failed = (judged: Judged, run: Parameters<typeof aboutRun>[1], detail: string) => ({
  ...aboutRun(judged, run),
  code: 'test-failed',
  detail,
});

/** A reading of the bench test that is not as it should be. */
const readings = (judged: Judged): Raw[] =>
  (judged.tests ?? []).flatMap(({ reading, run, expected, read }): Raw[] => {
    const wired = judged.wiring.runs.find((r) => r.id === run);
    if (!read || read.ok || !wired) return [];
    const { reads } = reading;
    return [
      {
        ...failed(judged, wired, testDetail(reading)),
        measure: over(Math.abs(read.volts - (reads === 'pulled' ? 0 : expected)), 'V'),
        says: say`${nameIn(judged, reading.about)} reads ${read.volts.toFixed(2)} V ${READ_WORDS[reads]}; ${reads === 'pulled' ? 'nothing' : printVolts(expected)} was expected${read.simulated ? ' (simulated meter)' : ''}.`,
        because: say`A crimp, a fuse, a plug or a pair taken wrong: the bench test names the likeliest, and what to read next.`,
      },
    ];
  });

/** Something rung through, run or looked at that was not right. */
const looks = (judged: Judged): Raw[] =>
  judged.checks.flatMap((one): Raw[] => {
    const wired = cablesOf(judged.wiring).find((r) => r.id === one.run);
    if (!one.read || one.read.ok || !wired) return [];
    return [
      {
        ...failed(judged, wired, checkDetail(one)),
        says: say`${one.about} failed a check: ${one.is}.`,
        because: say`${one.read.by} checked it: ${CHECK_WORDS[one.is]}.`,
      },
    ];
  });

/** What was read, rung through, run or looked at on the bench and is not as it should be. */
export const failedTests = check({
  about: 'rig',
  finds: { 'test-failed': { called: 'Bench test failed', severity: 'stop', since: 10 } },
  judge: (judged) => [...readings(judged), ...looks(judged)],
});

/** Tests and checks that hold their step open: not taken yet, or failed and accepted by nobody. */
export function openTests(
  tests: readonly BenchTest[],
  checks: readonly BenchCheck[],
  accepted: Plan['accepted'],
): readonly CableChecked[] {
  const open = ({ run, read }: CableChecked, detail: string): boolean =>
    !read || (!read.ok && entryOf(accepted, findingKey('test-failed', run, detail)) === undefined);
  return [...tests.filter((t) => open(t, testDetail(t.reading))), ...checks.filter((c) => open(c, checkDetail(c)))];
}
