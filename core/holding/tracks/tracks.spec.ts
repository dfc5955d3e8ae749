import fc from 'fast-check';
import { SHOP, TOLVANE } from '../../../demo/index';
import { cutList } from '../../work/cutting';
import { fairHull } from '../../boat/hull';
import type { Fitting, Place } from '../../rig';
import { deck, fitted, inputOf, partOf } from '@plain-cleat/testing/plans';
import { workUp, type Workup } from '../../workup';
import { cutTrack, trackHoles } from './cut';
import { growthOver, lieOf, ridersOf, slotsOf } from './index';

const { holding } = SHOP;
const hull = fairHull(TOLVANE);
const on = (u: number): Place => ({ on: 'fitting', fitting: 't', u, v: 0, heading: 0 });
const rig = (fittings: Record<string, Fitting>): Workup => workUp(inputOf(fittings));
const gear = (place: Place, more: Partial<Fitting> = {}): Fitting => fitted('slot-track-24', place, 'through', more);
const codes = (w: Workup): string[] => w.findings.map((f) => f.code);

describe('the holes of a track', () => {
  it('property: evenly spaced, no farther apart than the pitch, the end ones so far in, one in the middle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 2400 }), (length) => {
        const holes = trackHoles(length, holding);
        const steps = holes.slice(1).map((u, i) => u - (holes[i] ?? 0));
        const even = steps.every((s) => Math.abs(s - (steps[0] ?? 0)) < 1e-6 && s <= holding.pitch + 1e-6);
        const ends = Math.abs((holes[0] ?? 0) + length / 2 - holding.end) < 1e-6;
        return even && ends && holes.some((u) => Math.abs(u) < 1e-9);
      }),
      { seed: 9 },
    );
  });

  it('follow when it is cut to a length: size, holes, weight, price and what comes off the bar', () => {
    const whole = partOf('slot-track-24');
    const cut = cutTrack(whole, 400, holding);
    expect(cut.body.base.length).toBe(400);
    expect(cut.body.massKg).toBeCloseTo((whole.body.massKg * 400) / 610, 9);
    expect(cut.sold.priceCents).toBe(Math.round((whole.sold.priceCents * 400) / 610));
    expect(cutTrack(whole, undefined, holding)).toBe(whole);
    const w = rig({ t: gear(deck(2700, 0), { length: 400 }) });
    expect(w.drilling.holes.length).toBe(trackHoles(400, holding).length);
    expect(cutList('R', w.aboard.owned, TOLVANE, SHOP).bars.map((b) => [b.stock, b.length])).toEqual([['track-bar', 400]]);
    expect(w.price.lines.find((l) => l.fitting === 't')?.cents).toBe(cut.sold.priceCents);
  });
});

describe('a track on a hull that grows', () => {
  it('600 mm of aluminium on polyethylene over 40 K: 1.8 to 4.2 mm (handbook coefficients, from memory)', () => {
    const [least, most] = growthOver(600, 'polyethylene', 40);
    expect(least).toBeCloseTo(1.8, 1);
    expect(most).toBeCloseTo(4.2, 1);
    expect(growthOver(600, 'composite', 40)[1]).toBeLessThan(0.4);
    expect(growthOver(600, 'pvc fabric', 40)).toEqual([0, 0]);
  });

  it('is fixed in the middle and slotted towards its ends, the farther the longer', () => {
    const w = rig({ t: gear(deck(2700, 0), { length: 600 }) });
    const [track] = w.aboard.owned;
    if (!track) return fail('no track');
    const slots = slotsOf(track, 'polyethylene', holding);
    expect(slots.filter((s) => s.slot === 0).map((s) => Math.abs(s.u))).toEqual([0]);
    const ahead = slots.filter((s) => s.u < 0).map((s) => s.slot);
    expect(ahead).toEqual([...ahead].sort((a, b) => b - a));
    // Each end of the range from the middle: (200 − 23)·10⁻⁶ × 272.5 × 40, both ways.
    expect(slots[0]?.slot).toBeCloseTo(2 * 177e-6 * 272.5 * 40, 6);
    expect(codes(w)).toContain('track-slots');
    expect(slotsOf(track, 'polyethylene', { ...holding, heat: 0 }).every((s) => s.slot === 0)).toBeTrue();
  });
});

describe('a straight track on a curved hull', () => {
  it('lies flat on a level deck, and leaves a gap over a sheer', () => {
    const flat = rig({ t: gear(deck(2700, 0)) }).aboard.owned[0];
    const bent = rig({ t: gear({ on: 'side', side: 'port', x: 500, down: 40 }) }).aboard.owned[0];
    if (!flat || !bent) return fail('no track');
    expect(lieOf(hull, flat.placed).gap).toBeLessThan(0.1);
    const { gap, edge } = lieOf(hull, bent.placed);
    expect(gap).toBeGreaterThan(2);
    expect(edge).toBeNull();
    // The gap is the sagitta of the waterline there: a fine polyline of the same piece says so.
    const w = bent.placed.frame.w;
    const points = Array.from({ length: 201 }, (_, i) => 500 + ((i - 100) / 100) * 305 * bent.placed.frame.u.x);
    const off = points.map((x) => {
      const z = hull.gunwale(500) - 40;
      return -hull.halfWidth(x, z) * w.y - x * -w.x;
    });
    const chordless = Math.max(...off) - Math.min(...off);
    expect(Math.abs(gap - chordless) / gap).toBeLessThan(0.35);
    expect(codes(rig({ t: gear({ on: 'side', side: 'port', x: 500, down: 40 }) }))).toContain('track-gap');
  });

  it('says how far it runs from the gunwale edge', () => {
    const item = rig({ t: gear(deck(2900, 300)) }).aboard.owned[0];
    if (!item) return fail('no track');
    const { edge } = lieOf(hull, item.placed);
    expect(edge?.least ?? 0).toBeLessThan((edge?.most ?? 0) - 10);
  });
});

describe('what rides on a track', () => {
  it('is held by T-bolts in its slot, in order, and must not hang over its end', () => {
    const w = rig({
      t: gear(deck(2700, 0)),
      b: fitted('rod-tube-raised', on(200), 'track'),
      a: fitted('net-socket', on(-120), 'track'),
    });
    expect(ridersOf(w.aboard.owned, 't').map((r) => r.placed.id)).toEqual(['a', 'b']);
    expect(w.aboard.owned.find((i) => i.placed.id === 'b')?.mounted.cannot).toBeNull();
    expect(codes(w)).not.toContain('off-its-track');
    const over = rig({ t: gear(deck(2700, 0), { length: 300 }), b: fitted('rod-tube-raised', on(200), 'track') });
    expect(codes(over)).toContain('off-its-track');
  });

  it('is carried by the two screws next to it: they are judged by its pull', () => {
    const rod = { ...fitted('rod-tube-raised', on(0), 'track') };
    const riveted = rig({ t: fitted('slot-track-24', deck(2700, 0), 'rivet'), b: rod });
    expect(codes(riveted)).toContain('weak-track');
    const light = rig({ t: gear(deck(2700, 0)), b: fitted('radio-clip', on(0), 'track') });
    expect(codes(light)).not.toContain('weak-track');
  });

  it('cannot be where there is no slot', () => {
    const w = rig({
      c: fitted('crate-open', deck(2700, 0), 'loose'),
      b: fitted('rod-tube-raised', { ...on(0), fitting: 'c' } as Place, 'track'),
    });
    expect(w.aboard.owned.find((i) => i.placed.id === 'b')?.mounted.cannot?.join('')).toContain('no track here');
  });
});
