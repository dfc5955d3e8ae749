import fc from 'fast-check';
import { PELLIN, QUENBY, SARROCK } from '../../../demo/index';
import { applyChange, type Change, type Fitting, type Place, stockFittings } from '../../rig';
import { deck, fitted, inputOf, savedFact } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type Workup } from '../../workup';
import type { Finding } from './index';
import { runs } from '../../../testing/runs';

const within = (space: string, x: number, y: number, heading: number): Place => ({ on: 'space', space, x, y, heading });
const looseOf = (w: Workup): Finding[] => w.findings.filter((f) => f.code === 'comes-loose');

describe('what is to be tied down', () => {
  const crate = (more: Partial<Fitting> = {}): Fitting => fitted('crate-open', deck(3620), 'loose', more);
  const work = (fittings: Record<string, Fitting>, more = {}, facts: object[] = []): Workup =>
    workUp(inputOf(fittings, more, facts as never, SARROCK));

  it('weighs what it carries: light it is a note, laden to be looked at', () => {
    const [light] = looseOf(work({ crate: crate() }));
    expect([light?.severity, light && tell(light.says, 'metric')]).toEqual(['note', jasmine.stringContaining('1.6 kg')]);
    const stowage = {
      tools: { in: 'crate', of: 'crate', what: 'tools', kg: 4, litres: 3, wantsDry: false, use: 'stopped', later: false },
    };
    const [laden] = looseOf(work({ crate: crate() }, { stowage }));
    expect([laden?.severity, laden && tell(laden.says, 'metric')]).toEqual(['look', jasmine.stringContaining('5.6 kg')]);
  });

  it('is not what is worn, trodden on, put aboard ashore, or held by anything else', () => {
    const others = {
      jacket: fitted('jacket-pockets', deck(2100), 'loose'),
      mat: fitted('dog-mat', deck(1500), 'loose'),
      eye: fitted('pad-eye', deck(700), 'rivet'),
    };
    expect(looseOf(work(others))).toEqual([]);
  });

  it('hangs by four straps from its own corners to the loops about the well', () => {
    const straps = [
      { from: 'hull.well-1p', to: 'crate.fore-port' },
      { from: 'hull.well-1s', to: 'crate.fore-starboard' },
      { from: 'hull.well-2p', to: 'crate.aft-port' },
      { from: 'hull.well-2s', to: 'crate.aft-starboard' },
    ];
    const hung = crate({ straps, mount: { hold: 'strap', plate: false, reason: '' } });
    const w = work({ crate: hung });
    expect(looseOf(w)).toEqual([]);
    expect(w.price.lines.find((l) => l.key === 'strap')?.quantity).toBe(4);
    // By the two ahead of it alone it goes forward no less than it would aft.
    const two = work({ crate: { ...hung, straps: straps.slice(0, 2) } });
    expect(tell(looseOf(two)[0]?.says ?? [], 'metric')).toContain('up');
  });

  it('is not held by what is worn', () => {
    const stock = stockFittings(SARROCK);
    const straps = [{ from: 'stock-eye-p.eye', to: 'stock-eye-s.eye' }];
    const box = fitted('dry-box', deck(420), 'strap', { straps });
    const sound = looseOf(work({ ...stock, box }));
    const worn = looseOf(
      work({ ...stock, box }, {}, [savedFact({ kind: 'thingSeen', thing: 'stock-eye-p', is: 'worn', says: '' })]),
    );
    expect(worn.length).toBe(1);
    expect(tell(worn[0]?.because ?? [], 'metric')).toContain('not aboard, or is worn');
    expect(sound.every((f) => !tell(f.because, 'metric').includes('worn'))).toBeTrue();
  });

  it('gets straps offered that hold it, wherever it stands, on any hull, turned any way', () => {
    const places = fc.oneof(
      fc.record({
        hull: fc.constant(SARROCK),
        at: fc
          .tuple(fc.integer({ min: 3560, max: 3700 }), fc.integer({ min: -20, max: 20 }), fc.integer({ min: -90, max: 90 }))
          .map(([x, y, h]) => deck(x, y, h)),
        part: fc.constantFrom('crate-open', 'cooler-20', 'dry-box'),
      }),
      fc.record({
        hull: fc.constant(PELLIN),
        at: fc.tuple(fc.integer({ min: 2480, max: 2540 }), fc.integer({ min: -30, max: 30 })).map(([x, y]) => deck(x, y, 90)),
        part: fc.constantFrom('crate-open', 'cooler-20'),
      }),
      fc.record({
        hull: fc.constant(QUENBY),
        at: fc
          .tuple(fc.integer({ min: 560, max: 760 }), fc.integer({ min: -60, max: 60 }), fc.integer({ min: -45, max: 45 }))
          .map(([x, y, h]) => within('bow-hold', x, y, h)),
        part: fc.constantFrom('battery-80', 'battery-30', 'battery-100'),
      }),
    );
    let tried = 0;
    fc.assert(
      fc.property(places, ({ hull, at, part }) => {
        const input = inputOf({ thing: fitted(part, at, at.on === 'space' ? 'strap' : 'loose') }, {}, [], hull);
        for (const f of looseOf(workUp(input)))
          for (const one of f.tries([])) {
            tried++;
            const change = {
              id: crypto.randomUUID(),
              kind: 'together',
              changes: one.changes.map((c) => ({ ...c, id: crypto.randomUUID() })),
            } as Change;
            const { plan } = applyChange(input.plan, change);
            expect(looseOf(workUp({ ...input, plan })))
              .withContext(tell(one.says, 'metric'))
              .toEqual([]);
          }
      }),
      { seed: 14, numRuns: runs(60) },
    );
    expect(tried).toBeGreaterThan(runs(30, 6));
  });
});
