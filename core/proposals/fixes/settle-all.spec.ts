import { randomUUID } from 'node:crypto';
import { CATALOG } from '../../../demo/index';
import { unsettled, type Finding } from '../../checks/findings';
import { applyChange, type Plan } from '../../rig';
import { layouts } from '@plain-cleat/testing/sampled';
import { worseInWords } from '@plain-cleat/testing/worse';
import { workUp, type WorkupInput } from '../../workup';
import { runs } from '../../../testing/runs';
import { mayHelp, searchFixes, settleAll } from './index';

const HOW = { units: 'imperial' as const, budget: 30, newId: randomUUID, range: CATALOG.parts.filter(mayHelp) };
const isOne = (f: Finding): boolean => f.step === 'lay out';

describe('settling all', () => {
  it('makes no amount worse and leaves no stop that a listed fix clears alone, over layouts by chance', () => {
    const many = runs(300, 2);
    const all = layouts();
    let settled = 0;
    for (let i = 0; i < many; i++) {
      const one = all[Math.floor((i * all.length) / many)];
      if (!one) continue;
      const { input, hull } = one;
      const found = settleAll(input, { ...HOW, isOne });
      settled += found.by.length;
      // It comes from a worker: data alone, no functions.
      expect(structuredClone(found)).withContext(hull.name).toEqual(found);
      const plan: Plan = found.change ? applyChange(input.plan, found.change).plan : input.plan;
      const now: WorkupInput = { ...input, plan };
      const after = workUp(now);
      expect(worseInWords(workUp(input), after))
        .withContext(hull.name)
        .toEqual([]);
      const open = unsettled(after.findings).filter(isOne);
      expect(found.after.stops).toBe(open.filter((f) => f.severity === 'stop').length);
      for (const f of open.filter((o) => o.severity === 'stop' && o.fixable))
        expect(searchFixes(now, f, HOW).map((fix) => fix.says))
          .withContext(`${hull.name}: ${f.key}`)
          .toEqual([]);
    }
    expect(settled).toBeGreaterThan(0);
  });
});
