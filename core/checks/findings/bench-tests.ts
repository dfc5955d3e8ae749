import {
  CHECK_WORDS,
  checkDetail,
  READ_WORDS,
  testDetail,
  type BenchCheck,
  type BenchTest,
  type Held,
} from '../../electric/bench-test';
import { printVolts } from '../../electric/circuits';
import { entryOf, type Plan } from '../../rig';
import { say, over } from '../../base/units';
import { cablesOf } from '../../electric/wiring';
import { findingKey } from './codes';
import type { Judgement, Raw } from './finding';
import { aboutRun, nameIn } from './wires';

/** A reading of the bench test that is not as it should be. */
export const failedTests: Judgement = (judged) =>
  (judged.tests ?? []).flatMap(({ reading, run, expected, read }): Raw[] => {
    const wired = judged.wiring.runs.find((r) => r.id === run);
    if (!read || read.ok || !wired) return [];
    const { reads } = reading;
    return [
      {
        ...aboutRun(judged, wired),
        code: 'test-failed',
        detail: testDetail(reading),
        severity: 'stop',
        measure: over(Math.abs(read.volts - (reads === 'pulled' ? 0 : expected)), 'V'),
        says: say`${nameIn(judged, reading.about)} reads ${read.volts.toFixed(2)} V ${READ_WORDS[reads]}; ${reads === 'pulled' ? 'nothing' : printVolts(expected)} was expected${read.simulated ? ' (simulated meter)' : ''}.`,
        because: say`A crimp, a fuse, a plug or a pair taken wrong: the bench test names the likeliest, and what to read next.`,
      },
    ];
  });

/** Something rung through, run or looked at that was not right. */
export const failedChecks: Judgement = (judged) =>
  judged.checks.flatMap((check): Raw[] => {
    const wired = cablesOf(judged.wiring).find((r) => r.id === check.run);
    if (!check.read || check.read.ok || !wired) return [];
    return [
      {
        ...aboutRun(judged, wired),
        code: 'test-failed',
        detail: checkDetail(check),
        severity: 'stop',
        says: say`${check.about} failed a check: ${check.is}.`,
        because: say`${check.read.by} checked it: ${CHECK_WORDS[check.is]}.`,
      },
    ];
  });

/** Tests and checks that hold their step open: not taken yet, or failed and accepted by nobody. */
export function openTests(
  tests: readonly BenchTest[],
  checks: readonly BenchCheck[],
  accepted: Plan['accepted'],
): readonly Held[] {
  const open = ({ run, read }: Held, detail: string): boolean =>
    !read || (!read.ok && entryOf(accepted, findingKey('test-failed', run, detail)) === undefined);
  return [...tests.filter((t) => open(t, testDetail(t.reading))), ...checks.filter((c) => open(c, checkDetail(c)))];
}
