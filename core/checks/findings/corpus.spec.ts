import { searchFixes } from '../../proposals/fixes';
import { applyChange } from '../../rig';
import { BAD_RIGS, ORDINARY_RIGS, patched, rigOf, type BadRig } from '@plain-cleat/testing/corpus';
import { search } from '@plain-cleat/testing/judging';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { gotWorse, type Finding } from './index';

const said = (input: ReturnType<typeof rigOf>): readonly Finding[] => workUp(input).findings;
/** Figures of a metric unit; what is sold by a nominal size in millimetres, as cord, balls and wire, keeps that. */
const METRIC = /\d ?(?:m|km|km\/h|N|kg|N·m|kg·m)(?![\w²·])/;
const inFeet = (findings: readonly Finding[]): string[] =>
  findings.flatMap((f) => [f.says, f.because].map((s) => tell(s, 'imperial'))).filter((s) => METRIC.test(s));
const listed = (findings: readonly Finding[]): string => findings.map((f) => `${f.severity} ${f.key}`).join('\n');

/** Bad rigs and ordinary ones, as data (`testing/corpus`): what must be said of each, and what alone may be. */
describe('the corpus', () => {
  for (const bad of BAD_RIGS) {
    const codes = Object.keys(bad.must);
    it(`${bad.what}: is said`, () => {
      const findings = said(rigOf(bad));
      for (const [key, severity] of Object.entries(bad.must)) {
        const found = findings.find((f) => f.key === key);
        expect(found?.severity)
          .withContext(`${key}, of\n${listed(findings)}`)
          .toBe(severity);
        expect(inFeet(findings)).toEqual([]);
        if (bad.says) expect(tell(found?.says ?? [], 'metric')).toMatch(new RegExp(bad.says));
        // What there is an amount of says it, and somebody settles it.
        expect(found && (found.acceptable !== 'nobody' || found.fixable || found.decides.length > 0)).toBeTruthy();
      }
    });

    it(`${bad.what}: as it should be, it is not`, () => {
      const findings = said(rigOf(patched(told(bad), bad.inside) as BadRig));
      expect(findings.map((f) => f.key).filter((k) => codes.includes(k))).toEqual([]);
    });

    if (bad.fix === false) continue;
    it(`${bad.what}: a fix that was tried clears it, and makes nothing worse`, () => {
      const input = rigOf(bad);
      const before = new Map(said(input).map((f) => [f.key, f]));
      const [key] = codes;
      const finding = before.get(key ?? '');
      if (!finding) return fail('nothing to fix');
      const [fix] = searchFixes(input, finding, search);
      if (!fix) return fail('no fix');
      const after = said({ ...input, plan: applyChange(input.plan, fix.change).plan });
      expect(after.map((f) => f.key)).not.toContain(finding.key);
      const worse = after.filter((f) => {
        const was = before.get(f.key);
        return !was || gotWorse(f, was);
      });
      expect(listed(worse)).toBe('');
    });
  }

  for (const ordinary of ORDINARY_RIGS)
    it(`${ordinary.what}: nothing is said that should not be`, () => {
      const findings = said(rigOf(ordinary)).filter((f) => !ordinary.may.includes(f.code));
      expect(listed(findings)).toBe('');
    });

  it('has bad rigs enough, no two of one cause and code, each with its source and with the same as it should be', () => {
    expect(BAD_RIGS.length).toBeGreaterThanOrEqual(150);
    expect(ORDINARY_RIGS.length).toBeGreaterThanOrEqual(40);
    const causes = BAD_RIGS.map((b) => `${Object.keys(b.must).join()} ${b.source}`);
    expect(causes.filter((c, i) => causes.indexOf(c) !== i)).toEqual([]);
    expect(BAD_RIGS.filter((b) => !b.source || Object.keys(b.inside).length === 0).map((b) => b.what)).toEqual([]);
    const names = [...BAD_RIGS, ...ORDINARY_RIGS].map((b) => b.what);
    expect(names.filter((n, i) => names.indexOf(n) !== i)).toEqual([]);
  });
});

function told(bad: BadRig): object {
  const { inside: _, ...rest } = bad;
  return rest;
}
