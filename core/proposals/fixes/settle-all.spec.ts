import { randomUUID } from 'node:crypto';
import { CATALOG } from '../../../demo/index';
import { unsettled, type Finding } from '../../checks/findings';
import { applyChange, type Plan } from '../../rig';
import { layouts } from '@plain-cleat/testing/sampled';
import { workUp, type WorkupInput } from '../../workup';
import { runs } from '../../../testing/runs';
import { mayHelp, searchFixes, settleAll } from './index';

const RANK = { note: 0, look: 1, stop: 2 } as const;
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
      const before = new Map(workUp(input).findings.map((f) => [f.key, f]));
      const after = workUp(now).findings;
      for (const f of after) {
        const was = before.get(f.key);
        const told = `${hull.name}: ${f.key}`;
        expect(was).withContext(told).toBeDefined();
        if (!was) continue;
        expect(RANK[f.severity]).withContext(told).toBeLessThanOrEqual(RANK[was.severity]);
        if (RANK[f.severity] < RANK[was.severity] || !f.measure || !was.measure) continue;
        const more = (f.measure.amount - was.measure.amount) * (f.measure.worse === 'more' ? 1 : -1);
        expect(more).withContext(told).toBeLessThanOrEqual(0.5);
      }
      const open = unsettled(after).filter(isOne);
      expect(found.after.stops).toBe(open.filter((f) => f.severity === 'stop').length);
      for (const f of open.filter((o) => o.severity === 'stop' && o.fixable))
        expect(searchFixes(now, f, HOW).map((fix) => fix.says))
          .withContext(`${hull.name}: ${f.key}`)
          .toEqual([]);
    }
    expect(settled).toBeGreaterThan(0);
  });
});
