import { holeHistory, holesOfRig } from '../holding/drilling';
import { STOCKED as HULL } from '../../testing/stocked';
import { deck, fitted, inputOf, savedFact, partOf } from '@plain-cleat/testing/plans';
import { USUAL_SHOP } from '../parts/shop';
import { tell } from '../base/units';
import { workUp, type Workup } from '../workup';
import {
  applyChange,
  cameHole,
  foundFitting,
  foldLedger,
  fromEarlier,
  isThere,
  Refused,
  stockFittings,
  stockKey,
  type Change,
  type Fitting,
  type Plan,
} from './index';

const [P, S, EYE] = [stockKey('tube-p'), stockKey('tube-s'), stockKey('eye')];
const STOCK = stockFittings(HULL);
const work = (fittings: Plan['fittings'], more: Partial<Plan> = {}, facts: object[] = []): Workup =>
  workUp(inputOf(fittings, more, facts as never, HULL));
const becomes = (fittings: Plan['fittings'], id: string, is: 'left' | 'replaced' | 'removed' | 'gone'): Plan['fittings'] => ({
  ...fittings,
  [id]: { ...(fittings[id] as Fitting), becomes: { is } },
});
const seen = (thing: string, is: string, says = '') => savedFact({ kind: 'thingSeen', thing, is, says });

describe('what the maker fitted', () => {
  const bare = work({});
  const w = work(STOCK);

  it('stands on the hull with its holes, and costs no hole, no minutes and no money', () => {
    expect(w.aboard.items.map((i) => [i.placed.id, i.placed.frame.origin.x])).toEqual([
      [EYE, 700],
      [P, 2380],
      [S, 2380],
    ]);
    expect(w.drilling.holes).toEqual([]);
    // Three rivets and the bore of a flush tube each, two rivets of an eye: by the parts' own patterns.
    const pattern = (id: string): number => partOf(id).holes.at.length + (partOf(id).body.recess ? 1 : 0);
    expect(w.aboard.items.map((i) => i.under.length)).toEqual([
      pattern('pad-eye'),
      pattern('rod-tube-flush'),
      pattern('rod-tube-flush'),
    ]);
    expect(w.price.totals).toEqual(bare.price.totals);
    expect(w.price.lines).toEqual(bare.price.lines);
    expect(w.build.steps.map((s) => s.id)).toEqual(bare.build.steps.map((s) => s.id));
    expect(w.drilling.oldHoles).toEqual([]);
  });

  it('is in the weight of the hull already', () => {
    expect(w.weight.totalKg).toBeCloseTo(bare.weight.totalKg, 9);
    const off = work(becomes(STOCK, P, 'removed'));
    const { massKg } = partOf('rod-tube-flush').body;
    expect(off.weight.totalKg).toBeCloseTo(bare.weight.totalKg - massKg, 9);
    // On the road and on the way to the water it weighs what it floats with.
    expect(w.ashore.all.kg).toBeCloseTo(HULL.massKg, 9);
    expect(off.ashore.all.kg).toBeCloseTo(HULL.massKg - massKg, 9);
    expect(off.ashore.hullKg).toBeCloseTo(HULL.massKg - massKg, 9);
  });

  it('has its holes under a turned base where a hand calculation puts them', () => {
    const eye = partOf('pad-eye');
    const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
    const under = w.aboard.items.find((i) => i.placed.id === EYE)?.under ?? [];
    eye.holes.at.forEach((h, i) => {
      const at = under.find((one) => one.fact === cameHole(EYE, i + 1))?.at;
      // Aft along the turned base; positive turns to port. The foredeck falls 40 mm in 830, which the base lies along.
      const slope = Math.cos(Math.atan2(40, 830));
      expect(at?.x).toBeCloseTo(700 + (h.u * c + h.v * s) * slope, 1);
      expect(at?.y).toBeCloseTo(40 + h.v * c - h.u * s, 1);
    });
  });

  it('is judged for what it does to others, not for where its maker put it', () => {
    const tube = { 'rod-2': fitted('rod-tube-flush', deck(2385, -205), 'rivet') };
    const keys = work({ ...STOCK, ...tube }).findings.map((f) => f.key);
    expect(keys.filter((k) => k.startsWith('overlap:'))).toEqual([`overlap:rod-2:${P}`]);
    expect(w.findings.filter((f) => f.where.startsWith('stock-')).map((f) => f.code)).toEqual([]);
  });

  it('leaves its holes open when it is taken off, is bagged, and its time is charged', () => {
    const off = work(becomes(STOCK, P, 'removed'));
    const holes = off.drilling.oldHoles;
    expect(holes.map((h) => h.fact)).toEqual(
      partOf('rod-tube-flush')
        .holes.at.map((_, i) => cameHole(P, i + 1))
        .concat(cameHole(P, 4)),
    );
    // One cause, said once.
    expect(off.findings.filter((f) => f.code === 'open-hole').map((f) => tell(f.says, 'metric'))).toEqual([
      jasmine.stringContaining('The 4 holes of Rod tube, flush stand open'),
    ]);
    expect(off.handover.givenBack).toEqual([{ what: 'Rod tube, flush', letter: '', for: '' }]);
    const line = off.price.labor.find((l) => l.of === P);
    expect(line?.minutes).toBe(USUAL_SHOP.labor.takeOff * USUAL_SHOP.labor.mount.rivet);
    const step = off.build.steps.find((s) => s.id === `strip.${P}`);
    expect(step?.minutes).toBe(line?.minutes);
    expect(off.build.steps.find((s) => s.id === 'tape')?.needs).toContain(`strip.${P}`);
    expect(off.aboard.items.map((i) => i.placed.id)).toEqual([EYE, S]);
  });

  it('tells the hull’s history of the holes that only it knows: in use, and open once it is gone', () => {
    const told = (w: Workup) => {
      const rigs = holesOfRig('R-1', w.drilling.holes, w.ledger, w.aboard.owned);
      return holeHistory(foldLedger(w.surface, [], ''), rigs).map((h) => [h.label, h.state]);
    };
    expect(told(work(STOCK)).filter(([, state]) => state !== 'in use')).toEqual([]);
    const open = told(work(becomes(STOCK, P, 'removed'))).filter(([, state]) => state === 'open');
    expect(open.map(([label]) => label).sort()).toEqual([1, 2, 3, 4].map((n) => `Rod tube, flush ${n}`));
  });

  it('leaves holes that are plugged, or used by what takes its place', () => {
    const plugged = savedFact({ kind: 'holePlugged', hole: cameHole(P, 2), with: 'nylon plug' });
    const off = work(becomes(STOCK, P, 'removed'), {}, [plugged]);
    const [open] = off.findings.filter((f) => f.code === 'open-hole');
    expect(tell(open?.says ?? [], 'metric')).toContain('The 3 holes of');
    const fresh: Fitting = {
      ...fitted('rod-tube-flush', deck(2380, -210), 'rivet'),
      uses: { 1: cameHole(P, 1), 2: cameHole(P, 2), 3: cameHole(P, 3), 4: cameHole(P, 4) },
    };
    const replaced = work({ ...becomes(STOCK, P, 'replaced'), fresh });
    expect(replaced.findings.filter((f) => f.code === 'open-hole')).toEqual([]);
    expect(replaced.drilling.holes.every((h) => h.reused && !h.openUp)).toBeTrue();
    expect(replaced.price.lines.find((l) => l.fitting === 'fresh')?.cents).toBe(partOf('rod-tube-flush').sold.priceCents);
  });

  it('moved is drilled, fastened and charged like anything else, and leaves its old holes', () => {
    const moved = work({ ...STOCK, [EYE]: { ...(STOCK[EYE] as Fitting), place: deck(800, 40, 30) } });
    expect(moved.drilling.holes.length).toBe(partOf('pad-eye').holes.at.length);
    expect(moved.drilling.holes.every((h) => h.drilled === null)).toBeTrue();
    expect(moved.drilling.oldHoles.length).toBe(partOf('pad-eye').holes.at.length);
    expect(moved.price.labor.filter((l) => l.of === EYE).length).toBe(2);
    expect(moved.build.steps.map((s) => s.id)).toContain(`strip.${EYE}`);
  });

  it('left unused holds no rod', () => {
    const rods = (f: Plan['fittings']): number => work(f).aboard.items.reduce((n, i) => n + i.placed.rods.length, 0);
    expect(rods(becomes(STOCK, P, 'left'))).toBe(rods(STOCK) - (partOf('rod-tube-flush').rods?.count ?? 0));
  });

  it('is warned of while it is worn or broken, until something is done with it; each way out settles it', () => {
    const facts = [seen(EYE, 'worn', 'eaten by the sun'), seen('handle-bow-handle', 'broken'), seen(P, 'sound')];
    const worn = work(STOCK, {}, facts).findings.filter((f) => f.code === 'worn');
    expect(worn.map((f) => [f.key, f.severity])).toContain([`worn:${EYE}`, 'look']);
    const finding = worn.find((f) => f.where === EYE);
    const tries = finding?.tries([]) ?? [];
    expect(tries.length).toBe(3);
    for (const one of tries) {
      const change = {
        id: crypto.randomUUID(),
        kind: 'together',
        changes: one.changes.map((c) => ({ ...c, id: crypto.randomUUID() })),
      };
      const { plan } = applyChange(inputOf(STOCK, {}, [], HULL).plan, change as Change);
      const after = workUp({ ...inputOf(STOCK, {}, facts as never, HULL), plan });
      expect(after.findings.filter((f) => f.code === 'worn' && f.where === EYE))
        .withContext(tell(one.says, 'metric'))
        .toEqual([]);
    }
    // Looked at again after it was mended.
    expect(
      work(STOCK, {}, [...facts, seen(EYE, 'sound')]).findings.some((f) => f.code === 'worn' && f.where === EYE),
    ).toBeFalse();
  });

  it('keeps the receiving open until all of it was looked at', () => {
    const receive = (facts: object[]) =>
      work(STOCK, {}, [...facts, savedFact({ kind: 'stepDone', step: 'receive' })]).build.steps.find((s) => s.id === 'receive');
    const early = receive([seen(P, 'sound'), seen(S, 'sound')]);
    expect(early?.done).toBeNull();
    expect(tell(early?.early?.why ?? [], 'metric')).toContain('Pad eye');
    expect(receive([seen(P, 'sound'), seen(S, 'sound'), seen(EYE, 'worn')])?.done).not.toBeNull();
  });

  it('is not aboard for what would stand on it, be tied to it or stowed in it', () => {
    const plan = { ...inputOf(STOCK, {}, [], HULL).plan };
    const on: Fitting = fitted('leash-coil', { on: 'fitting', fitting: EYE, u: 0, v: 0, heading: 0 }, 'loose');
    const both = { ...plan, fittings: { ...STOCK, on } };
    const off = { id: crypto.randomUUID(), kind: 'keepItem', item: EYE, from: null, to: { is: 'removed' } } as Change;
    expect(() => applyChange(both, off)).toThrowError(Refused);
    const own = { ...plan, fittings: { own: fitted('pad-eye', deck(700), 'rivet') } };
    expect(() => applyChange(own, { ...off, item: 'own' } as Change)).toThrowError(/delete it instead/);
  });

  it('as a feature of the hull is gone from it when it is taken off', () => {
    const handle = HULL.handles?.[0]?.id ?? '';
    expect(work(STOCK).surface.model.handles?.length).toBe(2);
    const off = work(STOCK, { features: { [`handle-${handle}`]: { is: 'removed' } } });
    expect(off.surface.model.handles?.map((h) => h.id)).toEqual(HULL.handles?.slice(1).map((h) => h.id));
    const left = work(STOCK, { features: { [`handle-${handle}`]: { is: 'left' } } });
    expect(left.surface.model.handles?.length).toBe(2);
  });
});

describe('last year’s rig', () => {
  const eye = fitted('pad-eye', deck(700, 40), 'rivet');
  const never = fitted('pad-eye', deck(900, 40), 'rivet');
  const drilledAt = (id: string, x: number) =>
    savedFact({
      kind: 'holeDrilled',
      hole: id,
      label: 'A1',
      bit: 5,
      measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: x, offCentre: 40, down: null },
      elsewhere: false,
    });
  const first = work({ ...STOCK, eye, never });
  const facts = [
    ...first.drilling.holes.filter((h) => h.fitting === 'eye').map((h) => drilledAt(h.id, h.at.x)),
    savedFact({ kind: 'stepDone', step: 'fasten.eye' }),
  ];
  const carried = fromEarlier(
    { fittings: becomes({ ...STOCK, eye, never }, P, 'removed'), sets: {}, own: {} },
    work({ eye }, {}, facts).ledger,
    (id) => `y1-${id}`,
  );

  it('arrives as aboard: what was fastened, what the maker fitted, and the holes it drilled', () => {
    expect(Object.keys(carried.fittings).sort()).toEqual([EYE, P, S, 'y1-eye']);
    const { aboard } = carried.fittings['y1-eye'] as Fitting;
    expect(aboard?.from).toBe('earlier rig');
    expect(Object.keys(aboard?.holes ?? {}).length).toBe(partOf('pad-eye').holes.at.length);
    const now = work(carried.fittings, { id: 'plan-2' }, facts);
    expect(now.drilling.holes).toEqual([]);
    expect(now.drilling.oldHoles).toEqual([]);
    expect(now.aboard.items.find((i) => i.placed.id === 'y1-eye')?.under.map((h) => h.by)).toEqual(['Mara Voss', 'Mara Voss']);
  });

  it('keeps what it took off as holes alone, once that was done', () => {
    const stripped = [...facts, savedFact({ kind: 'stepDone', step: `strip.${P}` })];
    const done = fromEarlier(
      { fittings: becomes({ ...STOCK, eye }, P, 'removed'), sets: {}, own: {} },
      work({ eye }, {}, stripped).ledger,
      (id) => `y1-${id}`,
    );
    expect(done.fittings[P]?.becomes).toEqual({ is: 'gone' });
    expect(carried.fittings[P]?.becomes).toBeUndefined();
    const now = work(done.fittings, { id: 'plan-2' }, stripped);
    expect(now.drilling.oldHoles.length).toBe(4);
    expect(now.handover.givenBack).toEqual([]);
  });
});

describe('a thing found on the boat', () => {
  it('stands where it was found, and there until it is moved or held otherwise', () => {
    const found = foundFitting(partOf('pad-eye'), deck(900, -60));
    expect(isThere(found)).toBeTrue();
    expect(isThere({ ...found, place: deck(900, -61) })).toBeFalse();
    expect(isThere({ ...found, mount: { hold: 'through', plate: false, reason: '' } })).toBeFalse();
    const w = work({ found });
    expect(w.price.totals.laborMinutes).toBe(work({}).price.totals.laborMinutes);
    expect(w.aboard.items[0]?.under.length).toBe(2);
  });
});
