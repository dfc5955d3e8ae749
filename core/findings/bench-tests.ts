import { READ_WORDS, testDetail, type BenchTest } from '../bench-test';
import { printVolts } from '../circuits';
import { entryOf, type Plan } from '../rig';
import { say } from '../units';
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
        says: say`${nameIn(judged, reading.about)} reads ${read.volts.toFixed(2)} V ${READ_WORDS[reads]}; ${reads === 'pulled' ? 'nothing' : printVolts(expected)} was expected.`,
        because: say`A crimp, a fuse, a plug or a pair taken wrong: the bench test names the likeliest, and what to read next.`,
      },
    ];
  });

/** A test that holds its step open: not read yet, or failed and accepted by nobody. */
export const openTests = (tests: readonly BenchTest[], accepted: Plan['accepted']): readonly BenchTest[] =>
  tests.filter(
    ({ reading, run, read }) =>
      !read || (!read.ok && entryOf(accepted, findingKey('test-failed', run, testDetail(reading))) === undefined),
  );
