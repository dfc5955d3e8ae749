import { CATALOG, SHOP, TOLVANE } from '../../../demo/index';
import { searchFixes } from '../../proposals/fixes';
import { applyChange, type Fitting, type Plan } from '../../rig';
import { fitted, inputOf } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type WorkupInput } from '../../workup';

const inHold = (x: number, y = 0) => ({ on: 'space' as const, space: 'bow-hold', x, y, heading: 0 });
const onBoard = (u = 0, v = 0) => ({ on: 'fitting' as const, fitting: 'b', u, v, heading: 0 });
const input = (fittings: Record<string, Fitting>, slip = SHOP.limits.slip, more: Partial<Plan> = {}): WorkupInput => ({
  ...inputOf(fittings, more),
  shop: { ...SHOP, limits: { ...SHOP.limits, slip } },
});
const said = (i: WorkupInput): string[] =>
  workUp(i).findings.flatMap((f) => (f.code === 'slides' ? [tell(f.says, 'metric')] : []));
const strapped: Fitting = fitted('knee-board', inHold(650), 'strap');

describe('what lies loose inside', () => {
  it('tips where friction holds it but its weight leaves its base: 80 wide and 170 high at 30° of heel', () => {
    // tan 30° is 0.58: friction of 0.6 holds it, its base of 80 / 170 does not.
    expect(said(input({ a: fitted('battery-18', inHold(650), 'loose') }, 0.6))[0]).toContain('tips over in the bow hold');
    expect(said(input({ a: fitted('tackle-box', inHold(650), 'loose') }, 0.6))).toEqual([]);
  });

  it('slides off a board or a tray it is not tied to, whatever holds the board', () => {
    const [first] = said(input({ b: strapped, a: fitted('battery-18', onBoard(), 'loose') }));
    expect(first).toMatch(/^Battery 18 Ah, lithium slides \d+ mm .* off what it stands on/);
    expect(said(input({ b: strapped, a: fitted('battery-18', onBoard(), 'strap') }))).toEqual([]);
  });

  it('is strapped to its board by the way out that was tried', () => {
    const before = input({ b: strapped, a: fitted('battery-18', onBoard(), 'loose') });
    const finding = workUp(before).findings.find((f) => f.code === 'slides');
    if (!finding) return fail('nothing to settle');
    const [fix] = searchFixes(before, finding, {
      ...{ units: 'metric', budget: 60, range: CATALOG.parts },
      newId: () => '00000000-0000-4000-8000-000000000000',
    });
    if (!fix) return fail('no way out');
    expect(said({ ...before, plan: applyChange(before.plan, fix.change).plan })).toEqual([]);
  });

  it('is listed in the order it is packed: what is wanted least often first', () => {
    const thing = (what: string, use: 'always' | 'ashore' | 'hourly', kg: number) => ({
      ...{ in: 'bow-hold', what, kg, litres: 1, wantsDry: false, use, later: false },
    });
    const stowage = { a: thing('snack', 'always', 0.2), b: thing('tent', 'ashore', 3), c: thing('stove', 'ashore', 1) };
    const { contents } = workUp(input({}, 0.3, { stowage })).handover;
    expect(contents.find((c) => c.name === 'bow hold')?.things).toEqual(['tent', 'stove', 'snack']);
    expect(TOLVANE.spaces?.some((s) => s.id === 'bow-hold')).toBeTrue();
  });
});
