import { applyChange, type Plan, takeOff } from '@plain-cleat/core/rig';
import { type Workup, workUp } from '@plain-cleat/core/workup';
import { asOne } from '../stores/as-one';
import { laidPlan, TEST_HULL, TEST_PARTS, TEST_SHOP, testPlan } from '../testing/rig';
import { alignAcross, alignAlong, copies, distribute, moveAll, setAll, toOtherSide } from './arrange';

const box = (x: number, y: number, more: object = {}): Plan['fittings'][string] => ({
  part: 'box',
  place: { on: 'deck', x, y, heading: 0 },
  lift: 0,
  mount: { hold: 'loose', plate: false, reason: '' },
  suppliedBy: 'shop',
  note: '',
  ...more,
});
const three = (): Plan => ({ ...testPlan(), fittings: { a: box(1000, 100), b: box(1300, -200), c: box(2000, 150) } });
const work = (plan: Plan): Workup =>
  workUp({
    plan,
    hull: TEST_HULL,
    facts: [],
    catalog: { parts: TEST_PARTS, consumables: [] },
    shop: TEST_SHOP,
    asOf: '2026-06-01',
  });
const after = (plan: Plan, change: ReturnType<typeof toOtherSide>): Plan => (change ? applyChange(plan, change).plan : plan);
const at = (plan: Plan, id: string): { x: number; y: number } => {
  const p = plan.fittings[id]?.place;
  return p?.on === 'deck' ? { x: p.x, y: p.y } : { x: NaN, y: NaN };
};

describe('arranging several', () => {
  const plan = three();
  const w = work(plan);

  it('lines up across on the first, and along as far off as the first, each on its own side', () => {
    const across = after(plan, alignAcross(w.surface, w.aboard.items));
    expect(['a', 'b', 'c'].map((id) => at(across, id).x)).toEqual([1000, 1000, 1000]);
    const along = after(plan, alignAlong(w.surface, w.aboard.items));
    expect(['a', 'b', 'c'].map((id) => at(along, id).y)).toEqual([100, -100, 100]);
  });

  it('spaces evenly between the first and the last', () => {
    const spaced = after(plan, distribute(w.surface, w.aboard.items));
    expect(['a', 'b', 'c'].map((id) => at(spaced, id).x)).toEqual([1000, 1500, 2000]);
    expect(distribute(w.surface, work(spaced).aboard.items)).toBeNull();
  });

  it('moves to the other side, and moved twice stands where it stood', () => {
    const once = after(plan, toOtherSide(w.surface, w.aboard.items));
    expect(at(once, 'b').y).toBe(200);
    expect(after(once, toOtherSide(w.surface, work(once).aboard.items)).fittings).toEqual(plan.fittings);
  });

  it('leaves what is locked where it is', () => {
    const locked = { ...plan, fittings: { ...plan.fittings, b: box(1300, -200, { locked: true }) } };
    expect(at(after(locked, alignAcross(w.surface, work(locked).aboard.items)), 'b').x).toBe(1300);
  });

  it('mirrors a copy on the other side under new names, what stands on it too', () => {
    const carried: Plan = {
      ...plan,
      fittings: { a: box(1000, 100), t: box(0, 0, { place: { on: 'fitting', fitting: 'a', u: 10, v: 0, heading: 0 } }) },
    };
    const { change, ids } = copies(w.surface, work(carried).aboard.items, 'other side');
    const both = after(carried, change);
    expect(Object.keys(both.fittings).length).toBe(4);
    const copied = ids.map((id) => both.fittings[id]?.place);
    expect(copied.some((p) => p?.on === 'deck' && p.y === -100)).toBeTrue();
    const child = copied.find((p) => p?.on === 'fitting');
    expect(child?.on === 'fitting' && ids.includes(child.fitting)).toBeTrue();
  });

  it('moves as one, and what stands on another goes with it once', () => {
    const carried: Plan = {
      ...plan,
      fittings: { a: box(1000, 100), t: box(0, 0, { place: { on: 'fitting', fitting: 'a', u: 10, v: 0, heading: 0 } }) },
    };
    expect(moveAll(w.surface, work(carried).aboard.items, 50, 0).length).toBe(1);
  });

  it('groups and locks only what is not yet so', () => {
    const grouped = after(plan, setAll(w.aboard.items, 'group', 'g'));
    expect(Object.values(grouped.fittings).map((f) => f.group)).toEqual(['g', 'g', 'g']);
    expect(setAll(work(grouped).aboard.items, 'group', 'g')).toBeNull();
    expect(after(grouped, setAll(work(grouped).aboard.items, 'group', null))).toEqual(plan);
  });

  it('takes off with runs, tethers and what stands on it, and the plan still holds together', () => {
    const laid = laidPlan();
    const [first] = Object.keys(laid.fittings);
    const plan2: Plan = {
      ...laid,
      fittings: {
        ...laid.fittings,
        t: box(0, 0, { place: { on: 'fitting', fitting: first, u: 0, v: 0, heading: 0 } }),
        r: box(2500, 0, { tether: { to: first, length: 500 } }),
      },
    };
    const { changes, off } = takeOff(plan2, [first ?? '']);
    expect(off).toContain('t');
    const left = after(plan2, asOne(changes));
    expect(left.fittings['t']).toBeUndefined();
    expect(left.fittings['r']?.tether?.to).toBeNull();
  });
});
