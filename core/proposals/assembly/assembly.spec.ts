import { ASSEMBLIES, CATALOG, SHOP } from '../../../demo/index';
import { buildAssembly } from './index';
import type { Assembly } from '../../rig';
import { fitted, partOf } from '@plain-cleat/testing/plans';

const on = (fitting: string, u: number, v = 0) => ({ on: 'fitting' as const, fitting, u, v, heading: 0 });
const kit = (more: Assembly['fittings'] = {}): Assembly => ({
  id: 'kit',
  name: 'Kit',
  version: 1,
  base: 'c',
  fittings: {
    c: fitted('crate-open', { on: 'deck', x: 0, y: 0, heading: 0 }, 'loose'),
    t: fitted('rod-tubes-crate-2', on('c', 258), 'loose'),
    ...more,
  },
});
const build = (a: Assembly) => buildAssembly(a, CATALOG.parts, SHOP);

describe('an assembly on the bench', () => {
  it('weighs and costs what its parts do, base first', () => {
    const built = build(kit());
    const parts = [partOf('crate-open'), partOf('rod-tubes-crate-2')];
    expect(built.items.map((i) => i.placed.id)).toEqual(['c', 't']);
    expect(built.items.map((i) => i.letter)).toEqual(['A', 'B']);
    expect(built.massKg).toBeCloseTo(
      parts.reduce((sum, p) => sum + p.body.massKg, 0),
      9,
    );
    expect(built.cents).toBe(parts.reduce((sum, p) => sum + p.sold.priceCents, 0));
    expect(built.findings).toEqual([]);
  });

  it('stands as it stands on a boat: what is so far aft of the base is so far aft of it', () => {
    const [c, t] = build(kit()).items;
    expect((t?.placed.frame.origin.x ?? 0) - (c?.placed.frame.origin.x ?? 0)).toBeCloseTo(258, 9);
  });

  it('says what is wrong with it on any boat, and nothing of a boat', () => {
    const twice = build(kit({ t2: fitted('rod-tubes-crate-2', on('c', 250), 'loose') }));
    expect([...new Set(twice.findings.map((f) => f.code))]).toContain('overlap');
    const screen = build(kit({ s: fitted('head-screen-5', on('c', 0), 'loose') }));
    expect(screen.findings.map((f) => f.code)).toEqual(['does-not-join']);
  });

  it('the demo’s own are whole', () => {
    for (const a of ASSEMBLIES)
      expect(build(a).findings.map((f) => f.code))
        .withContext(a.name)
        .toEqual([]);
  });

  it('is empty when its base is no part of it', () => {
    expect(build({ ...kit(), base: 'x' }).items).toEqual([]);
  });
});
