import { randomUUID } from 'node:crypto';
import { CATALOG } from '../../../demo/index';
import type { Finding } from '../../checks/findings';
import { applyChange } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { layouts } from '@plain-cleat/testing/sampled';
import { workUp, type WorkupInput } from '../../workup';
import { mayHelp, searchFixes } from './index';
import { runs } from '../../../testing/runs';

const RANK = { note: 0, look: 1, stop: 2 } as const;
const WHO = ['the rigger', 'the front desk', 'the manager', 'the owner'];
/** What a tape, a scale or a meter does not tell apart. */
const SAME = 0.5;

/** The amounts of a rig's findings, told apart here and not by the product. */
const amounts = (input: WorkupInput): Map<string, Finding> => new Map(workUp(input).findings.map((f) => [f.key, f]));
/** What is worse after than before: new, more severe, or by more. */
const worse = (before: ReadonlyMap<string, Finding>, after: ReadonlyMap<string, Finding>): string[] =>
  [...after.values()]
    .filter((now) => {
      const was = before.get(now.key);
      if (!was || RANK[now.severity] > RANK[was.severity]) return true;
      if (RANK[now.severity] < RANK[was.severity] || !now.measure) return false;
      if (!was.measure || was.measure.unit !== now.measure.unit) return true;
      const more = now.measure.amount - was.measure.amount;
      return (now.measure.worse === 'more' ? more : -more) > SAME;
    })
    .map((f) => `${f.severity} ${f.key}`);

describe('fixes over layouts by chance', () => {
  const many = runs(60, 4);
  const chosen = layouts().filter((_, i, all) => i % Math.floor(all.length / many) === 0);

  it('settle what they are for and make no amount worse, worked up from nothing', () => {
    let offered = 0;
    for (const l of chosen) {
      const { input } = l;
      const before = amounts(input);
      const open = [...before.values()].filter((f) => f.fixable && f.severity !== 'note').slice(0, 6);
      for (const finding of open) {
        const fixes = searchFixes(input, finding, {
          units: 'imperial',
          budget: 40,
          newId: randomUUID,
          range: CATALOG.parts.filter(mayHelp),
        });
        for (const fix of fixes) {
          offered++;
          const after = amounts({ ...input, plan: applyChange(input.plan, fix.change).plan });
          expect(after.has(finding.key)).withContext(`${l.hull.name}: ${finding.key} stays`).toBeFalse();
          expect(worse(before, after)).withContext(`${l.hull.name}: ${finding.key}`).toEqual([]);
        }
      }
    }
    expect(offered).toBeGreaterThan(many);
  });

  it('are not all there is: of everything somebody is said to decide', () => {
    for (const l of layouts()) for (const f of l.workup.findings) expect(WHO).withContext(f.key).toContain(f.decides);
  });

  it('settle nothing by a harm half as large: what is cut by half and made worse elsewhere is not offered', () => {
    // Between a crate aft and a battery ahead of it, no slide is free: each makes one clash smaller and another larger.
    const input = inputOf({
      a: fitted('crate-open', deck(2700, 0), 'loose'),
      b: fitted('crate-open', deck(2500, 0), 'loose'),
      c: fitted('crate-open', deck(2900, 0), 'loose'),
    });
    const before = amounts(input);
    for (const finding of before.values())
      for (const fix of searchFixes(input, finding, { units: 'metric', budget: 200, newId: randomUUID, range: [] }))
        expect(worse(before, amounts({ ...input, plan: applyChange(input.plan, fix.change).plan }))).toEqual([]);
  });
});
