import fc from 'fast-check';
import { CATALOG } from '../../../demo/index';
import { TOLVANE } from '../../../demo/index';
import { SHOP } from '../../../demo/index';
import { fairHull } from '../../boat/hull';
import { placeFitting, type Placed } from '../../layout';
import type { Fitting, Place } from '../../rig';
import { boltName, chooseBlind, chooseBolt, nutted } from './fastener';
import { findThread, readRivet, rivetFor, SCREW_LENGTHS, WELL_NUTS } from './tables';
import { fastenerWords, LENGTHS, mountFitting, SCREWS, THREADS } from './index';

function found<T>(one: T | undefined): T {
  if (one === undefined) throw new Error('not in the tables');
  return one;
}
const thread = (name: string) => found(THREADS.find((t) => t.name === name));
const inches = (mm: number): number => mm / 25.4;

describe('tables', () => {
  // ISO 273, fine and medium series (values from memory).
  for (const [name, fine, medium] of [
    ['M4', 4.3, 4.5],
    ['M5', 5.3, 5.5],
    ['M6', 6.4, 6.6],
    ['M8', 8.4, 9],
  ] as const)
    it(`${name} clearance ${fine} and ${medium} mm`, () => {
      const t = THREADS.find((one) => one.name === name);
      expect([t?.close, t?.free]).toEqual([fine, medium]);
    });
  // Tap-and-clearance chart, as in Machinery's Handbook: number and letter drills in inches (values from memory).
  for (const [name, close, free] of [
    ['8-32', 0.1695, 0.177],
    ['10-24', 0.196, 0.201],
    ['1/4-20', 0.257, 0.266],
    ['5/16-18', 0.323, 0.332],
  ] as const)
    it(`${name} clearance ${close} and ${free} in`, () => {
      const t = THREADS.find((one) => one.name === name);
      expect(inches(t?.close ?? 0)).toBeCloseTo(close, 9);
      expect(inches(t?.free ?? 0)).toBeCloseTo(free, 9);
    });
  // ISO 7040 high lock nuts, ISO 4032 nuts, ISO 7089 washers at their thickest, ISO 898-1 stress areas (values from memory).
  for (const [name, nut, plain, washer, across, area] of [
    ['M5', 6.8, 4.7, 1.1, 10, 14.2],
    ['M6', 8, 5.2, 1.8, 12, 20.1],
    ['M8', 9.5, 6.8, 1.8, 16, 36.6],
  ] as const)
    it(`${name} lock nut ${nut}, washer ${washer} × ${across} mm`, () => {
      const t = THREADS.find((one) => one.name === name);
      expect([t?.nuts.lock, t?.nuts.plain, t?.washer, t?.washerDiameter, t?.stressArea]).toEqual([
        nut,
        plain,
        washer,
        across,
        area,
      ]);
    });

  // ASME B18.2.2 hex nuts, B18.6.3 machine screw nuts, B18.16.6 nylon insert nuts, B18.22.1 washers: greatest, in inches;
  // ASME B1.1 stress areas, in² (values from memory).
  for (const [name, plain, lock, washer, across, area] of [
    ['8-32', 0.13, 0.234, 0.065, 0.375, 0.014],
    ['10-24', 0.13, 0.249, 0.065, 0.438, 0.0175],
    ['1/4-20', 0.226, 0.328, 0.08, 0.625, 0.0318],
    ['5/16-18', 0.273, 0.359, 0.08, 0.75, 0.0524],
  ] as const)
    it(`${name} nut ${plain}, lock nut ${lock}, washer ${washer} × ${across} in`, () => {
      const t = thread(name);
      const figures = [
        inches(t.nuts.plain),
        inches(t.nuts.lock),
        inches(t.washer),
        inches(t.washerDiameter),
        t.stressArea / 25.4 ** 2,
      ];
      expect(figures.map((v) => Math.round(v * 10_000) / 10_000)).toEqual([plain, lock, washer, across, area]);
    });

  it('stress areas agree with the threads they belong to: π/4·(d − 0.9382·p)² (ISO 898-1; ASME B1.1 with 0.9743)', () => {
    for (const t of THREADS) {
      const k = t.family === 'metric' ? 0.9382 : 0.9743;
      expect(t.stressArea / ((Math.PI / 4) * (t.diameter - k * t.pitch) ** 2))
        .withContext(t.name)
        .toBeCloseTo(1, 1);
    }
  });
  // ISO 261 coarse pitches and ASME B1.1 threads to the inch (values from memory).
  for (const [name, diameter, pitch] of [
    ['M4', 4, 0.7],
    ['M5', 5, 0.8],
    ['M6', 6, 1],
    ['M8', 8, 1.25],
    ['8-32', 0.164 * 25.4, 25.4 / 32],
    ['10-24', 0.19 * 25.4, 25.4 / 24],
    ['1/4-20', 0.25 * 25.4, 25.4 / 20],
    ['5/16-18', 0.3125 * 25.4, 25.4 / 18],
  ] as const)
    it(`${name} is ${diameter.toFixed(2)} mm, pitch ${pitch.toFixed(3)}`, () => {
      const t = thread(name);
      expect(t.diameter).toBeCloseTo(diameter, 9);
      expect(t.pitch).toBeCloseTo(pitch, 9);
    });

  it('M4 lock nut and washer: common practice, no source', () => {
    const t = thread('M4');
    expect([t.nuts.lock, t.washer, t.washerDiameter]).toEqual([5, 0.9, 9]);
  });

  it('bolts are sold in these lengths (common practice, no source)', () => {
    expect(LENGTHS.metric).toEqual([10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 60]);
    expect(LENGTHS.inch.map((l) => Math.round(inches(l) * 1000) / 1000)).toEqual([
      0.5, 0.625, 0.75, 1, 1.25, 1.5, 1.75, 2, 2.5, 3,
    ]);
  });

  it('well nuts swell in a hole near twice their thread, screws bite in four fifths of theirs (common practice, no source)', () => {
    for (const t of THREADS) {
      const nut = WELL_NUTS[t.name];
      expect((nut?.hole ?? 0) / t.diameter)
        .withContext(t.name)
        .toBeGreaterThan(1.8);
      expect((nut?.hole ?? 0) / t.diameter)
        .withContext(t.name)
        .toBeLessThan(2.2);
    }
    for (const s of Object.values(SCREWS)) expect(s.pilot / s.diameter).toBeCloseTo(0.76, 1);
    expect(SCREW_LENGTHS).toEqual([10, 13, 16, 19, 25, 32, 38]);
  });

  it('every thread has room in its clearance hole', () => {
    for (const t of THREADS) {
      expect(t.close).toBeGreaterThan(t.diameter);
      expect(t.free).toBeGreaterThan(t.close);
    }
  });

  it('keeps one family on a rig', () => {
    expect(findThread('M6', 'inch')?.name).toBe('1/4-20');
    expect(findThread('1/4-20', 'metric')?.name).toBe('M6');
    expect(findThread('M7', 'inch')).toBeUndefined();
  });
});

describe('rivets', () => {
  // IFI-114 (values from memory): 64 is 3/16 in, grip 1/8 to 1/4; 66 to 3/8; 68 to 1/2; drills #30, #20, #11, F.
  for (const [grade, diameter, least, most, drill] of [
    ['64', 3 / 16, 1 / 8, 1 / 4, 0.191],
    ['66', 3 / 16, 1 / 4, 3 / 8, 0.191],
    ['68', 3 / 16, 3 / 8, 1 / 2, 0.191],
    ['44', 1 / 8, 1 / 8, 1 / 4, 0.1285],
    ['52', 5 / 32, 0, 1 / 8, 0.161],
    ['84', 1 / 4, 1 / 8, 1 / 4, 0.257],
  ] as const)
    it(`${grade} is ${diameter} in and grips ${least} to ${most} in`, () => {
      const r = readRivet(grade);
      const figures = [r?.diameter, r?.leastGrip, r?.greatestGrip, r?.drill].map((v) => inches(v ?? -1));
      [diameter, least, most, drill].forEach((v, i) => expect(figures[i]).toBeCloseTo(v, 9));
    });

  it('takes its number or letter drill: #30, #20, #11, F', () => {
    expect(['42', '52', '62', '82'].map((g) => readRivet(g)?.drillName)).toEqual(['#30', '#20', '#11', 'F']);
  });

  it('refuses what is no grade', () => {
    for (const grade of ['', '63', '74', 'abc', '6', '622']) expect(readRivet(grade)).toBeUndefined();
  });

  it('a 1/2 in body holds an accessory base plus hull (common practice, no source)', () => {
    expect(rivetFor('64', 6 + 5)?.grade).toBe('68');
    expect(rivetFor('64', 5)?.grade).toBe('64');
    expect(rivetFor('64', 40)).toBeUndefined();
  });
});

describe('bolt length', () => {
  it('worked by hand: 6 base + 1 gasket + 5 wall on M6 needs 12 + 1.8 + 8 + 1.5, so 25', () => {
    const choice = chooseBolt(thread('M6'), { base: 6, gasket: 1, wall: 5, plate: 0 }, nutted(thread('M6'), 'lock'));
    expect(choice).toEqual({ ok: true, length: 25, needed: jasmine.any(Number) as never, showing: jasmine.any(Number) as never });
    expect(choice.needed).toBeCloseTo(23.3, 9);
  });

  it('clamps and shows a thread and a half, or says how much too short the longest is', () => {
    fc.assert(
      fc.property(fc.constantFrom(...THREADS), fc.double({ min: 1, max: 90, noNaN: true }), (t, clamped) => {
        const choice = chooseBolt(t, { base: clamped, gasket: 0, wall: 0, plate: 0 }, nutted(t, 'lock'));
        if (!choice.ok) return choice.short > 0 && choice.needed > (LENGTHS[t.family].at(-1) ?? 0);
        const shorter = LENGTHS[t.family].filter((l) => l < choice.length).at(-1) ?? 0;
        return choice.showing >= 1.5 * t.pitch - 1e-6 && shorter < choice.needed;
      }),
      { seed: 6, numRuns: 500 },
    );
  });

  it('in a blind thread it bites its diameter and stops short of the bottom, worked by hand', () => {
    // 5 base + 6 bite is 11 at least; 5 + 16 − 1 is 20 at most.
    expect(chooseBlind(thread('M6'), 5, 16)).toEqual(jasmine.objectContaining({ ok: true, length: 20 }));
    // 6 deep: nothing between 11 and 10.
    expect(chooseBlind(thread('M6'), 5, 6).ok).toBeFalse();
  });

  it('is named as it is sold', () => {
    expect(boltName(thread('M6'), 25)).toBe('M6 × 25');
    expect(boltName(thread('1/4-20'), 1.25 * 25.4)).toBe('1/4-20 × 1 1/4');
    expect(boltName(thread('10-24'), 0.625 * 25.4)).toBe('10-24 × 5/8');
  });
});

describe('mounts', () => {
  const hull = fairHull(TOLVANE);
  const put = (part: string, place: Place, hold: Fitting['mount']['hold'], plate = false): Placed =>
    found(
      placeFitting(
        hull,
        'x',
        { part, place, lift: 0, mount: { hold, plate, reason: '' }, suppliedBy: 'shop', note: '' },
        CATALOG.parts.find((p) => p.id === part),
      ),
    );
  const deck: Place = { on: 'deck', x: 2800, y: 250, heading: 0 };

  it('T-bolts make no holes and need a track', () => {
    expect(
      mountFitting(put('rod-tube-raised', { on: 'track', track: 'aft-star', x: 2500, heading: 0 }, 'track'), SHOP, TOLVANE).holes,
    ).toBe(0);
    expect(mountFitting(put('rod-tube-raised', deck, 'track'), SHOP, TOLVANE).cannot?.join('')).toContain('no track');
  });

  it('through bolts with a plate are longer than without', () => {
    const [without, withPlate] = [false, true].map(
      (plate) => mountFitting(put('rod-tube-raised', deck, 'through', plate), SHOP, TOLVANE).bolt,
    );
    expect(withPlate?.needed).toBeCloseTo((without?.needed ?? 0) + 12.7, 9);
  });

  it('an insert must be there, a rivet must grip, a part must allow it', () => {
    expect(mountFitting(put('flag-pole', deck, 'insert'), SHOP, TOLVANE).cannot?.join('')).toContain('no factory insert');
    expect(mountFitting(put('paddle-clip', deck, 'rivet'), SHOP, TOLVANE).rivet?.grade).toBe('68');
    expect(mountFitting(put('crate-open', deck, 'rivet'), SHOP, TOLVANE).cannot?.join('')).toContain('cannot be held');
    expect(mountFitting(put('gland', deck, 'through'), SHOP, TOLVANE)).toEqual(
      jasmine.objectContaining({ holes: 1, fastener: null }),
    );
  });

  it('says what goes on with a fastener, in order, and how tight', () => {
    const part = found(CATALOG.parts.find((p) => p.id === 'rod-tube-raised'));
    const words = (plate: boolean, material: 'polyethylene' | 'wood') =>
      fastenerWords(mountFitting(put('rod-tube-raised', deck, 'through', plate), SHOP, TOLVANE), part, { material }, SHOP);
    expect(words(false, 'polyethylene').goesOn).toContain('wide washer and lock nut behind');
    expect(words(true, 'polyethylene').goesOn).toContain('plate, washer and lock nut behind');
    expect(words(false, 'wood').goesOn).toMatch(/; washer and lock nut/);
    expect(words(false, 'wood').tighten).toContain('squeeze-out');
  });
});
