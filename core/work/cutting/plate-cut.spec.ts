import polygonClipping from 'polygon-clipping';
import { CATALOG, SHOP, TOLVANE } from '../../../demo/index';
import type { Hazard, HullModel } from '../../boat/hull';
import { deck, emptyPlan, fitted } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { plateCut } from './plate-cut';
import { cutList } from './index';

const base = fitted('motor-bow-55', deck(2700, 0), 'through', { mount: { hold: 'through', plate: true, reason: '' } });
const behind = (hazards: readonly Hazard[]) => {
  const hull: HullModel = { ...TOLVANE, hazards: [...hazards] };
  const w = workUp({
    plan: { ...emptyPlan(hull), fittings: { m: base } },
    hull,
    facts: [],
    catalog: CATALOG,
    shop: SHOP,
    asOf: '2026-06-01',
  });
  const [item] = w.aboard.owned;
  const plate = item && plateCut(hull, item, SHOP);
  if (!item || !plate) throw new Error('no plate');
  return { hull, w, item, plate };
};
const sizeOf = (outline: readonly (readonly [number, number])[]): number =>
  Math.abs(
    outline.reduce((sum, [u, v], i) => {
      const [nu, nv] = outline[(i + 1) % outline.length] ?? [0, 0];
      return sum + u * nv - nu * v;
    }, 0) / 2,
  );

describe('a backing plate', () => {
  const where = behind([]);
  const { z } = where.item.placed.frame.origin;
  const inside = z - where.item.placed.frame.wall - SHOP.holding.plate / 2;
  /** A tube along the boat behind the wall, and the end of a rib between the bolts. */
  const tube = (y: number): Hazard => ({
    id: 'tube',
    name: 'rudder tube',
    kind: 'rudder tube',
    shape: 'tube',
    radius: 8,
    path: [2400, 3000].map((x) => ({ x, y, z: inside })),
  });
  const rib: Hazard = {
    id: 'rib',
    name: 'rib',
    kind: 'bulkhead',
    shape: 'box',
    from: { x: 2685, y: 32, z: inside - 40 },
    to: { x: 2715, y: 120, z: inside + 5 },
  };

  it('with nothing behind is the whole rectangle', () => {
    const { long, wide, outline, clears, cannot } = where.plate;
    expect(sizeOf(outline)).toBeCloseTo(long * wide, 6);
    expect([clears, cannot]).toEqual([[], null]);
  });

  it('is cut clear of a rib that reaches under it, and keeps its holes and their edge distance', () => {
    const { plate, w } = behind([rib]);
    expect(plate.clears).toEqual(['rib']);
    expect(plate.cannot).toBeNull();
    expect(sizeOf(plate.outline)).toBeLessThan(plate.long * plate.wide - 500);
    // Nothing of it is left on the rib: clipped against its outline, by a reader of polygons, nothing remains.
    const under: [number, number][] = [
      [-15, 32],
      [15, 32],
      [15, 120],
      [-15, 120],
    ];
    expect(polygonClipping.intersection([plate.outline.map(([u, v]): [number, number] => [u, v])], [under])).toEqual([]);
    expect(w.findings.map((f) => f.code)).toContain('plate-notched');
  });

  it('says so when it would bear on a bolt, and when it would fall in two', () => {
    const bolt = behind([tube(40)]);
    expect(bolt.plate.cannot).toContain('bears on a bolt');
    expect(bolt.w.findings.find((f) => f.code === 'plate-blocked')?.severity).toBe('stop');
    const across = behind([tube(0)]);
    expect(across.plate.cannot).not.toBeNull();
  });

  it('goes to the cut plan with its outline, and says what it clears', () => {
    const { w, hull } = behind([rib]);
    const [plate] = cutList('R-1', w.aboard.owned, hull, SHOP).plates;
    expect(plate?.says).toBe('R-1 A, plate, cut clear of rib');
    expect(plate?.outline.length ?? 0).toBeGreaterThan(4);
    expect(plate?.holes.length).toBe(4);
  });
});
