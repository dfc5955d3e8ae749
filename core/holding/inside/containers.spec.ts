import { BRACKWEN, TOLVANE } from '../../../demo/index';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { applyChange, Refused, type Plan } from '../../rig';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { containersOf, contentsOf } from './containers';

const thing = (more: Partial<Plan['stowage'][string]>): Plan['stowage'][string] => ({
  in: 'crate',
  of: 'crate',
  what: 'anchor chain',
  kg: 5,
  litres: 3,
  wantsDry: false,
  use: 'stopped',
  later: false,
  ...more,
});
const crate = (x: number): Plan['fittings'] => ({
  crate: fitted('crate-open', deck(x, 0), 'loose'),
  jacket: fitted('jacket-pockets', deck(1900, 0), 'loose'),
});
const id = '00000000-0000-4000-8000-000000000000';

describe('what takes things', () => {
  it('is every room bow to stern, then every container of a fitting, pockets by their names', () => {
    const w = workUp(inputOf(crate(2700)));
    const all = containersOf(w.surface, w.aboard.owned);
    expect(all.map((c) => c.name)).toEqual([
      ...['bow hold', 'well under the seat', 'stern hold'],
      ...['Life jacket, pockets, left pocket', 'Life jacket, pockets, right pocket', 'Crate, open, 13 × 16'],
    ]);
    expect(all.filter((c) => c.worn).map((c) => c.in)).toEqual(['left', 'right']);
    expect(
      contentsOf({ a: thing({}), b: thing({ of: undefined, in: 'bow-hold' }) }, all[5] as never).map(([key]) => key),
    ).toEqual(['a']);
  });

  it('carries its weight where it stands, and with it when it moves', () => {
    const at = (x: number, stowage: Plan['stowage']) => workUp(inputOf(crate(x), { stowage })).weight;
    const [empty, full] = [at(2700, {}), at(2700, { a: thing({}) })];
    expect(full.totalKg - empty.totalKg).toBeCloseTo(5, 9);
    // Five kilograms 300 mm farther aft, and the crate with them: moments about the bow.
    const moved = at(3000, { a: thing({}) });
    const kg = 5 + 1.588;
    expect((moved.x - full.x) * (moved.totalKg - TOLVANE.massKg)).toBeCloseTo(kg * 300, 3);
  });

  it('takes nothing along that is not aboard, nor what is only planned', () => {
    const total = (stowage: Plan['stowage']) => workUp(inputOf(crate(2700), { stowage })).weight.totalKg;
    expect(total({ a: thing({ later: true }) })).toBe(total({}));
    const sets = { day: { name: 'day', order: 0 }, night: { name: 'night', order: 1 } };
    const fittings = { crate: fitted('crate-open', deck(2700, 0), 'loose', { sets: ['day'] }) };
    const shown = (set: string, stowage: Plan['stowage']) =>
      workUp({ ...inputOf(fittings, { sets, stowage }), set }).weight.totalKg;
    expect(shown('night', { a: thing({}) })).toBe(shown('night', {}));
    expect(shown('day', { a: thing({}) }) - shown('day', {})).toBeCloseTo(5, 9);
  });

  it('is not taken off the boat while something is in it, and nothing goes into what is not there', () => {
    const { plan } = inputOf(crate(2700), { stowage: { a: thing({}) } });
    const off = { id, kind: 'takeOffItem', item: 'crate', from: plan.fittings.crate } as never;
    expect(() => applyChange(plan, off)).toThrowError(Refused);
    const out = { id, kind: 'stowThing', thing: 'a', from: plan.stowage.a, to: null } as never;
    expect(() => applyChange(applyChange(plan, out).plan, off)).not.toThrow();
    const lost = { id, kind: 'stowThing', thing: 'b', from: null, to: thing({ of: 'bucket' }) } as never;
    expect(() => applyChange(plan, lost)).toThrowError(/not aboard/);
  });

  it('is said to be too full, damp, or cut by what is sharp, at the fitting it is', () => {
    const stowage = {
      a: thing({ litres: 40 }),
      b: thing({ what: 'hooks', is: ['sharp'], of: 'jacket', in: 'left', litres: 0.1, kg: 0.1 }),
      c: thing({ what: 'radio', wantsDry: true, litres: 0.1, kg: 0.2 }),
    };
    const said = workUp(inputOf(crate(2700), { stowage })).findings.filter((f) =>
      ['overfull', 'gets-wet', 'kept-apart'].includes(f.code),
    );
    expect(said.map((f) => `${f.where}: ${tell(f.says, 'metric')}`)).toEqual([
      'jacket: hooks: sharp, and Life jacket, pockets, left pocket is fabric.',
      'crate: radio wants to be dry; Crate, open, 13 × 16 is damp.',
      'crate: Crate, open, 13 × 16 holds 35 litres; 40.1 are put in it.',
    ]);
  });

  it('is the same on a hull without openings of its own', () => {
    const w = workUp(inputOf({ jacket: fitted('jacket-slim', deck(1700, 0), 'loose') }, {}, [], BRACKWEN));
    expect(containersOf(w.surface, w.aboard.owned).at(-1)?.worn).toBeTrue();
  });
});
