import { CATALOG, TOLVANE } from '../../demo/index';
import { searchFixes } from '../fixes';
import type { Finding, FindingCode } from '../findings';
import type { HullModel } from '../hull';
import { applyChange, type Brief, type Plan, USUAL_BRIEF } from '../rig';
import { tell } from '../units';
import { workUp, type WorkupInput } from '../workup';
import { inputOf } from './plans';

/** How fixes are searched in specs. */
export const search = {
  units: 'metric' as const,
  budget: 300,
  newId: () => '00000000-0000-4000-8000-000000000000',
  range: CATALOG.parts,
};
/** The usual brief with other answers. */
const brief = (more: Partial<Brief>): Brief => ({ ...USUAL_BRIEF, ...more });
/** A rig of these fittings. */
export const rig = (
  fittings: Plan['fittings'],
  more: Partial<Brief> = {},
  hull: HullModel = TOLVANE,
  plan: Partial<Plan> = {},
): WorkupInput => inputOf(fittings, { brief: brief(more), ...plan }, [], hull);
export const found = (input: WorkupInput, code: FindingCode): Finding | undefined =>
  workUp(input).findings.find((f) => f.code === code);
export const words = (input: WorkupInput, code: FindingCode): string => tell(found(input, code)?.says ?? [], 'metric');

/** One line a judgement: it fires, it just does not, a fix that was tried clears it. */
export interface JudgementCase {
  readonly code: FindingCode;
  readonly fires: WorkupInput;
  /** What its sentence must say, with its number. */
  readonly says: RegExp;
  /** Nearly the same, and just clear of it. */
  readonly not: WorkupInput;
  /** False where only a person can settle it, such as another hull or a part to buy. */
  readonly fix?: false;
}

/** Declares the specs of each case. */
export function judgeCases(cases: readonly JudgementCase[]): void {
  for (const c of cases) {
    it(`${c.code}: fires, and says it with its number`, () => {
      const w = workUp(c.fires);
      expect(w.findings.map((f) => f.code)).toContain(c.code);
      expect(words(c.fires, c.code)).toMatch(c.says);
    });
    it(`${c.code}: just does not`, () => expect(workUp(c.not).findings.map((f) => f.code)).not.toContain(c.code));
    if (c.fix === false) continue;
    it(`${c.code}: a fix that was tried clears it and makes nothing worse`, () => {
      const input = c.fires;
      const finding = found(input, c.code);
      if (!finding) return fail('nothing to fix');
      const [fix] = searchFixes(input, finding, search);
      if (!fix) return fail('no fix');
      const before = new Set(workUp(input).findings.map((f) => f.key));
      const after = workUp({ ...input, plan: applyChange(input.plan, fix.change).plan });
      expect(after.findings.map((f) => f.key)).not.toContain(finding.key);
      expect(after.findings.filter((f) => !before.has(f.key) && f.severity !== 'note').map((f) => f.key)).toEqual([]);
    });
  }
}
