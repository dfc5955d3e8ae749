import { randomUUID } from 'node:crypto';
import { CATALOG } from '../../../demo/index';
import { applyChange } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { layouts } from '@plain-cleat/testing/sampled';
import { worseInWords } from '@plain-cleat/testing/worse';
import { workUp } from '../../workup';
import { mayHelp, searchFixes } from './index';
import { runs } from '../../../testing/runs';

const WHO = ['the rigger', 'the front desk', 'the manager', 'the owner'];

describe('fixes over layouts by chance', () => {
  const many = runs(60, 4);
  const chosen = layouts().filter((_, i, all) => i % Math.floor(all.length / many) === 0);

  it('settle what they are for and make no amount worse, worked up from nothing', () => {
    let offered = 0;
    for (const l of chosen) {
      const { input } = l;
      const before = workUp(input);
      const open = before.findings.filter((f) => f.fixable && f.severity !== 'note').slice(0, 6);
      for (const finding of open) {
        const fixes = searchFixes(input, finding, {
          units: 'imperial',
          budget: 40,
          newId: randomUUID,
          range: CATALOG.parts.filter(mayHelp),
        });
        for (const fix of fixes) {
          offered++;
          const after = workUp({ ...input, plan: applyChange(input.plan, fix.change).plan });
          const stays = after.findings.some((f) => f.key === finding.key);
          expect(stays).withContext(`${l.hull.name}: ${finding.key} stays`).toBeFalse();
          expect(worseInWords(before, after)).withContext(`${l.hull.name}: ${finding.key}`).toEqual([]);
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
    const before = workUp(input);
    for (const finding of before.findings)
      for (const fix of searchFixes(input, finding, { units: 'metric', budget: 200, newId: randomUUID, range: [] }))
        expect(worseInWords(before, workUp({ ...input, plan: applyChange(input.plan, fix.change).plan }))).toEqual([]);
  });
});
