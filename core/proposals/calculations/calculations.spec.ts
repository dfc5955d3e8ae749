import fc from 'fast-check';
import { z } from 'zod';
import { TOLVANE } from '../../../demo/index';
import { CALCULATIONS as all } from './index';

/** One sensible input for every calculation, and what its result must hold. */
const SAMPLES: Readonly<Record<string, readonly [input: unknown, holds: (result: never) => boolean]>> = {
  // ASTM B258 and ABYC E-11 (values from memory).
  'wire-area': [
    { awg: 10 },
    (r: { mm2: number; circularMils: number }) => Math.abs(r.mm2 - 5.26) < 0.01 && Math.abs(r.circularMils - 10_380) < 10,
  ],
  'wire-drop': [
    { standard: 'E-11', awg: 10, amps: 10, roundTrip: 6096, volts: 12 },
    (r: { askedMils: number; dropPercent: number }) => Math.abs(r.askedMils - 5972.2) < 0.1 && r.dropPercent < 3,
  ],
  'wire-size': [
    { amps: 10, volts: 12, roundTrip: 6096 },
    (r: { awg: number; ruled: string }) => r.awg === 10 && r.ruled === 'drop',
  ],
  // Common practice, no source: a 42 A motor sits on a 50 A breaker.
  'fuse-size': [{ amps: 42, ampacity: 120, motor: true }, (r: { rating: number }) => r.rating === 50],
  // ISO 273 and IFI-114 (values from memory).
  clearance: [{ thread: 'M6' }, (r: { close: number; free: number }) => r.close === 6.4 && r.free === 6.6],
  'bolt-length': [{ thread: 'M6', base: 6, wall: 5 }, (r: { ok: boolean; name: string }) => r.ok && r.name === 'M6 × 25'],
  // Two rows 25 and 175 mm from the pressed edge, 10 kN at 250 mm: M·s/Σs² is 7 kN a bolt of the far row.
  'bolt-group': [
    {
      spots: [-75, 75].flatMap((u) => [-30, 30].map((v) => ({ u, v }))),
      force: { u: 10_000, v: 0, w: 0, at: { u: 0, v: 0, w: 250 } },
      base: { length: 200, width: 100 },
    },
    (r: { tension: number; shear: number }[]) => Math.abs((r[0]?.tension ?? 0) - 7000) < 1e-6 && r[0]?.shear === 2500,
  ],
  // T/(π·d·t): 942.5 N about a rim of 12 mm through 5 mm is 5 MPa.
  'pull-through': [{ newtons: 942.477796, rim: 12, wall: 5 }, (r: { mpa: number }) => Math.abs(r.mpa - 5) < 1e-6],
  rocking: [{ moment: 0, hub: 30, wall: 5, modulus: 500, panel: 110 }, (r: { degrees: number }) => r.degrees === 0],
  'rivet-grade': [{ grade: '68' }, (r: { greatestGrip: number }) => Math.abs(r.greatestGrip - 12.7) < 1e-9],
  'rivet-grip': [{ grade: '64', stack: 11 }, (r: { grade: string }) => r.grade === '68'],
  'bit-size': [{ mm: 0.257 * 25.4, family: 'inch' }, (r: { name: string }) => r.name === '17/64'],
  // 3, 4 and 0 by root of squares are 5.
  tolerance: [{ tape: 3, hull: 4, wander: 0 }, (r: { mm: number }) => r.mm === 5],
  // NIST SP 811.
  'read-length': [{ text: `5' 6 15/16"`, system: 'metric' }, (r: { mm: number }) => Math.abs(r.mm - 66.9375 * 25.4) < 1e-9],
  'write-length': [
    { mm: 1700, system: 'imperial' },
    (r: { text: string; cut: string }) => r.text === '66 15/16 in' && r.cut === '5 ft 7 in',
  ],
  'fair-stations': [
    {
      readings: TOLVANE.stations.map((s) => ({
        x: s.x,
        port: s.halfBreadth,
        starboard: s.halfBreadth,
        gunwale: s.gunwale,
        keel: s.keel,
      })),
    },
    (r: { stations: unknown[]; suspects: unknown[] }) => r.stations.length === TOLVANE.stations.length && r.suspects.length === 0,
  ],
  // A picture at one pixel a millimetre is its own projection.
  'straighten-photo': [
    {
      marks: [
        [0, 0],
        [1000, 0],
        [1000, 500],
        [0, 500],
      ],
      deck: [
        [0, 0],
        [1000, 0],
        [1000, 500],
        [0, 500],
      ],
    },
    (r: { projection: number[] }) => Math.abs((r.projection[0] ?? 0) - 1) < 1e-9 && Math.abs(r.projection[6] ?? 1) < 1e-12,
  ],
  // Drillis & Contini 1966 (from memory): a grip reaches 0.386 of stature from the shoulder.
  'reach-from-seat': [
    { stature: 1800, seatX: 2000, seatZ: 240, point: { x: 2000 - 0.386 * 1800 - 10, y: 0.129 * 1800, z: 240 + 0.338 * 1800 } },
    (r: { zone: string; beyond: number }) => r.zone === 'half turn' && Math.abs(r.beyond - 10) < 1e-6,
  ],
  'room-to-stand': [{ hull: TOLVANE }, (r: { disc: number }) => r.disc > 500 && r.disc < 620],
  'gunwale-arc': [{ hull: TOLVANE, x: 3600 }, (r: { mm: number }) => r.mm > 3600 && r.mm < 4000],
  'tape-reading': [{ hull: TOLVANE, datum: 'bow', run: 'centre', x: 1500, y: 100 }, (r: { mm: number }) => r.mm === 1500],
  'tape-place': [{ hull: TOLVANE, datum: 'stern', run: 'centre', reading: 600, y: 0 }, (r: { x: number }) => r.x === 3000],
  'hull-section': [
    { hull: TOLVANE, x: 1800 },
    (r: { halfBreadth: number; gunwale: number }) => Math.abs(r.halfBreadth - 440) < 1e-6 && Math.abs(r.gunwale - 296) < 1e-6,
  ],
  // Archimedes: the displaced litres of fresh water are the kilograms.
  floating: [
    { hull: TOLVANE, masses: [{ kg: 130, x: 1850, z: 300 }] },
    (r: { litres: number; fault: null }) => r.fault === null && Math.abs(r.litres - 130) < 0.1,
  ],
  'outline-overlap': [
    {
      a: [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ],
      b: [
        [8, 0],
        [18, 0],
        [18, 10],
        [8, 10],
      ],
    },
    (r: { mm: number }) => Math.abs(r.mm - 2) < 1e-9,
  ],
  // Drillis & Contini (from memory): half shoulder breadth 0.129 of stature.
  'body-lengths': [{ stature: 1778 }, (r: { halfShoulders: number }) => Math.abs(r.halfShoulders - 229.362) < 1e-6],
};

describe('calculations by name', () => {
  it('each has a sample here', () => expect([...all.keys()]).toEqual(Object.keys(SAMPLES).sort()));

  for (const [name, [input, holds]] of Object.entries(SAMPLES))
    it(`${name} gives its check value, and names its sources`, () => {
      const c = all.get(name);
      if (!c) return fail(`no ${name}`);
      expect(c.sources.length).toBeGreaterThan(0);
      expect(c.says.length).toBeGreaterThan(8);
      const result = c.run(c.input.parse(input));
      expect((holds as (r: unknown) => boolean)(result))
        .withContext(JSON.stringify(result))
        .toBeTrue();
    });

  it('each states its input as a JSON Schema', () => {
    for (const c of all.values()) expect((z.toJSONSchema(c.input, { io: 'input' }) as { type?: string }).type).toBe('object');
  });

  it('none takes garbage (property)', () => {
    const garbage = fc.oneof(
      fc.constant({}),
      fc.constant(null),
      fc.string(),
      fc.array(fc.integer()),
      fc.dictionary(fc.string(), fc.anything()),
    );
    fc.assert(
      fc.property(fc.constantFrom(...all.values()), garbage, (c, value) => !c.input.safeParse(value).success),
      { seed: 30, numRuns: 400 },
    );
  });

  it('none answers with NaN or infinity for its sample', () => {
    const finite = (v: unknown): boolean =>
      typeof v === 'number' ? Number.isFinite(v) : v === null || typeof v !== 'object' || Object.values(v).every(finite);
    for (const [name, [input]] of Object.entries(SAMPLES)) {
      const c = all.get(name);
      expect(c && finite(c.run(c.input.parse(input))))
        .withContext(name)
        .toBeTrue();
    }
  });
});
