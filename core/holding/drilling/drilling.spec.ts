import { SHOP, TOLVANE } from '../../../demo/index';
import { waterAt } from '../../water/float';
import { fairHull, findDatum, girthDown, reading } from '../../boat/hull';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { bitFor } from './bits';
import { lookBehind } from './behind';
import { asPlanned, barTrue, cautionsAt, printBit, sealantWords, distanceToHazard, toleranceBudget } from './index';

const hull = fairHull(TOLVANE);
const down = { x: 0, y: 0, z: -1 };

describe('bits', () => {
  it('inch shops drill the next sixty-fourth: 1/4-20 close (0.257 in) takes 17/64, 10-24 takes 13/64', () => {
    expect(bitFor(0.257 * 25.4, 'inch').name).toBe('17/64');
    expect(bitFor(0.196 * 25.4, 'inch').name).toBe('13/64');
    expect(bitFor(3.175, 'inch').name).toBe('1/8');
    expect(bitFor(25.4, 'inch').name).toBe('1');
    expect(bitFor(6.4, 'metric')).toEqual({ mm: 6.4, name: '6.4 mm' });
  });
});

describe('a bit in words', () => {
  it('is a sixty-fourth when it is one, a number drill in thousandths, tenths in metric', () => {
    expect(printBit((17 / 64) * 25.4, 'imperial')).toBe('17/64 in');
    expect(printBit(0.191 * 25.4, 'imperial')).toBe('0.191 in');
    expect(printBit(6.35, 'imperial')).toBe('1/4 in');
    expect(printBit(6.4, 'metric')).toBe('6.4 mm');
  });
});

describe('cautions at a hole', () => {
  const at = (part: string, x: number, y: number) => {
    const w = workUp(inputOf({ f: fitted(part, deck(x, y), 'rivet') }));
    const [hole] = w.drilling.holes;
    if (!hole) throw new Error('no hole');
    return { hole, w };
  };
  it('eye protection first, what is behind by name, the sealant last', () => {
    const { hole, w } = at('pad-eye', 1500, 0);
    const said = cautionsAt(hole, TOLVANE, SHOP, waterAt(w.weight.float, hole.at.x));
    expect(said[0]).toBe('Eye protection on.');
    expect(said[1]).toContain('drive well');
    expect(said.at(-1)).toContain('does not bond');
  });

  it('under the waterline it says so, and butyl has no cure to wait for', () => {
    const { hole } = at('pad-eye', 3240, 0);
    expect(cautionsAt(hole, TOLVANE, SHOP, 0).join()).not.toContain('waterline');
    expect(cautionsAt(hole, TOLVANE, SHOP, 999).join()).toContain('Under the waterline');
    const butyl = { ...SHOP, holding: { ...SHOP.holding, sealant: 'butyl tape' as const } };
    expect(sealantWords({ material: 'wood' }, butyl)).toContain('No cure');
  });
});

describe('a printed bar', () => {
  it('is true within what the shop allows', () => {
    expect(barTrue('100 mm', 100.4, 0.5)).toBeTrue();
    expect(barTrue('100 mm', 99.4, 0.5)).toBeFalse();
    expect(barTrue('4 in', 101.6, 0.5)).toBeTrue();
  });
});

describe('behind a hole', () => {
  it('adds tape, hull and drill by root of squares', () =>
    expect(toleranceBudget({ ...SHOP.drilling, tape: 3, hull: 4, wander: 0 })).toBe(5));

  it('measures to the surface of boxes and tubes', () => {
    const well = TOLVANE.hazards.find((h) => h.id === 'drive-well');
    const tube = TOLVANE.hazards.find((h) => h.id === 'rudder-tube');
    if (!well || !tube) return fail('hazards missing');
    expect(distanceToHazard({ x: 1500, y: 105, z: 100 }, well)).toBe(10);
    expect(distanceToHazard({ x: 1500, y: 0, z: 100 }, well)).toBe(0);
    expect(distanceToHazard({ x: 1800, y: 296, z: 257 }, tube)).toBeCloseTo(12, 0);
  });

  it('finds what the bit runs into, and how near it passes', () => {
    const into = lookBehind(hull, SHOP, { at: { x: 1500, y: 0, z: 150 }, inward: down, inside: 'nothing' });
    expect(into.nearest).toEqual({ name: 'drive well', clear: 0 });
    expect(
      lookBehind(hull, SHOP, { at: { x: 700, y: 0, z: 340 }, inward: down, inside: 'nothing' }).nearest?.clear,
    ).toBeGreaterThan(80);
  });

  it('finds the hatch a hand reaches from, or says why none does', () => {
    expect(lookBehind(hull, SHOP, { at: { x: 300, y: 0, z: 350 }, inward: down, inside: 'hand' }).access?.hatch).toBe(
      'foredeck hatch',
    );
    const amidships = lookBehind(hull, SHOP, { at: { x: 1650, y: 380, z: 302 }, inward: down, inside: 'hand' });
    expect(amidships.access).toBeNull();
    expect(amidships.blocked?.join('')).toMatch(/beyond (an arm|a forearm)'s reach|in the way/);
  });
});

describe('holes of a fitting', () => {
  const fittings = { n: fitted('net-socket', deck(2800, 270), 'through'), e: fitted('pad-eye', deck(3300, 0), 'rivet') };
  const w = workUp(inputOf(fittings));

  it('stand on their pattern, are named forward first, and read as the tape reads', () => {
    expect(w.drilling.holes.map((h) => h.label)).toEqual(['A1', 'A2', 'A3', 'B1', 'B2']);
    const bow = findDatum(hull, 'bow');
    for (const h of w.drilling.holes) expect(h.reading).toBeCloseTo(reading(hull, bow, 'taut', h.at), 9);
    const [a, b, c] = w.drilling.holes;
    const far = (p = a, q = b): number => Math.hypot((p?.at.x ?? 0) - (q?.at.x ?? 0), (p?.at.y ?? 0) - (q?.at.y ?? 0));
    // Three holes on a circle of 30 mm are 30·√3 apart.
    for (const d of [far(a, b), far(b, c), far(a, c)]) expect(d).toBeCloseTo(30 * Math.sqrt(3), 1);
  });

  it('take the bits of their fasteners, pilots first, one bit at a time', () => {
    expect(w.rounds.map((r) => [r.bit.name, r.work, r.holes.length])).toEqual([
      ['1/8', 'pilot', 5],
      ['#11', 'final', 2],
      ['17/64', 'final', 3],
    ]);
  });

  it('drilled as planned are where they were planned', () => {
    const hole = w.drilling.holes[0];
    if (!hole) return fail('no hole');
    expect(asPlanned(hole, { datum: 'bow', run: 'taut' }, 1)).toEqual({
      hullRevision: 1,
      datum: 'bow',
      run: 'taut',
      reading: hole.reading,
      offCentre: hole.offCentre,
      down: null,
      aimed: hole.at.x,
    });
  });

  it('in the side are measured down from the gunwale', () => {
    const side = workUp(inputOf({ g: fitted('gland', { on: 'side', side: 'port', x: 1000, down: 60 }, 'through') }));
    // A tape laid down the side follows its flare: it reads more than the height.
    expect(side.drilling.holes[0]?.down).toBeCloseTo(girthDown(hull, 1000, 60), 6);
    expect(side.drilling.holes[0]?.run).toBe('gunwale');
    expect(side.drilling.holes[0]?.bit.name).toBe('3/4');
  });
});
