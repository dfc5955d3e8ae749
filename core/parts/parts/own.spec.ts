import fc from 'fast-check';
import { materialCents } from './made';
import { slicesOf } from './own';
import { type OwnPart, ownPartSchema, partOfSheet, partSchema } from './index';

const sheet: OwnPart = {
  name: 'Rod rack of pipe',
  kind: 'rod rack',
  shape: { is: 'box', length: 300, width: 120 },
  height: 250,
  massKg: 1.2,
  ways: ['through', 'strap'],
  bolts: { count: 4, along: 240, across: 80, thread: 'M6' },
  offers: ['25 mm'],
  ports: 0,
  carries: false,
  sinks: false,
  cents: null,
  made: {
    minutes: 90,
    of: [
      { what: 'pipe 40 mm, a metre', count: 1.5, cents: 640 },
      { what: 'caps', count: 4, cents: 85 },
    ],
  },
  photo: null,
};

describe('a part of one’s own', () => {
  it('holds rods, stands on what others offer and offers joints of every kind', () => {
    const rack = partOfSheet(
      'rack',
      { ...sheet, height: 180, rods: { count: 2, lean: 20, out: 90 }, foot: '1 in pipe', offers: ['1/4-20', 'disc'] },
      '2026-06-01',
    );
    expect(partSchema.safeParse(rack).success).toBeTrue();
    // No deeper than it is high.
    expect(rack.rods).toEqual({ count: 2, lean: 20, out: 90, depth: 180, butt: 0 });
    expect(rack.joins).toEqual({
      foot: { kind: 'socket', size: '1 in pipe' },
      heads: [
        { kind: 'thread', size: '1/4-20' },
        { kind: 'steel', size: 'disc' },
      ],
    });
  });

  it('is a part like any other: holes by its bolts, a price by what it is made of, joints by what it offers', () => {
    const part = partOfSheet('rack', sheet, '2026-06-01');
    expect(partSchema.safeParse(part).success).toBeTrue();
    // 1.5 m at 6.40 and four at 0.85: 9.60 and 3.40.
    expect([part.sold.priceCents, materialCents(sheet.made)]).toEqual([1300, 1300]);
    expect(part.holes.at).toEqual([
      { u: -120, v: -40 },
      { u: -120, v: 40 },
      { u: 120, v: -40 },
      { u: 120, v: 40 },
    ]);
    expect(part.joins?.heads).toEqual([{ kind: 'ball', size: '25 mm' }]);
    expect(part.body.base).toEqual(jasmine.objectContaining({ length: 300, width: 120, thickness: 6 }));
    expect(partOfSheet('rack', { ...sheet, cents: 4500 }, '2026-06-01').sold.priceCents).toBe(4500);
  });

  it('round or traced is never judged smaller than it is, and a round one hardly larger', () => {
    const inside = (shape: OwnPart['shape'], u: number, v: number): boolean =>
      slicesOf(shape, 100, 'x').some((s) => u >= s.u[0] && u <= s.u[1] && v >= s.v[0] && v <= s.v[1]);
    const round = { is: 'cylinder', diameter: 400 } as const;
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        (far, turn) => {
          // A circle is drawn by 48 chords, which lie so far inside it.
          const r = 200 * Math.cos(Math.PI / 48) * far;
          expect(inside(round, r * Math.cos(turn), r * Math.sin(turn))).toBeTrue();
        },
      ),
      { seed: 5, numRuns: 400 },
    );
    const area = slicesOf(round, 1, 'x').reduce((sum, s) => sum + (s.u[1] - s.u[0]) * (s.v[1] - s.v[0]), 0);
    expect(area / (Math.PI * 200 * 200)).toBeLessThan(1.17);
    const wedge = {
      is: 'outline',
      points: [
        [-150, 0],
        [150, -90],
        [150, 120],
      ] as [number, number][],
    } as const;
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        const [p, q, r] = wedge.points as [[number, number], [number, number], [number, number]];
        const [s, t] = a + b > 1 ? [1 - a, 1 - b] : [a, b];
        expect(
          inside(wedge, p[0] + s * (q[0] - p[0]) + t * (r[0] - p[0]), p[1] + s * (q[1] - p[1]) + t * (r[1] - p[1])),
        ).toBeTrue();
      }),
      { seed: 6, numRuns: 400 },
    );
  });

  it('is refused with the field and what would be right', () => {
    const faults = (more: object): string[] =>
      ownPartSchema.safeParse({ ...sheet, ...more }).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`) ?? [];
    expect(faults({ name: ' ' })).toEqual(['name: give it a name']);
    expect(faults({ ways: [] })).toEqual(['ways: say how it can be held']);
    expect(
      faults({
        shape: {
          is: 'outline',
          points: [
            [0, 0],
            [1, 1],
          ],
        },
      }),
    ).toEqual(['shape.points: three points or more']);
    expect(faults({ height: 0 })).toEqual(['height: more than nothing']);
    expect(faults({ bolts: { count: 4, along: 100, across: 0, thread: 'M6' } })).toEqual([
      'bolts: say how far its bolts are apart',
    ]);
  });
});
