import fc from 'fast-check';
import { skinAt } from './spaces';
import { fairHull, upcastHull, type HullModel, type Room, type Space } from './index';
import { BOX_HOLD, BOX_HULL } from '@plain-cleat/testing/box-hull';

/** The same without openings: its litres and heights alone. */
const BOX: HullModel = { ...BOX_HULL, hatches: [], spaces: [] };
const HOLD: Space = { ...BOX_HOLD, hatches: [] };

const roomIn = (more: Partial<HullModel>): Room => fairHull({ ...BOX, ...more }).rooms.get('hold') as Room;

describe('a room inside a box of a hull', () => {
  const room = roomIn({ spaces: [HOLD] });

  it('has the floor, the ceiling and the sides of the skin', () => {
    expect(room.floor(1500, 0)).toBeCloseTo(10, 1);
    expect(room.ceiling(1500, 0)).toBe(290);
    expect(room.floor(1500, 389)).toBeLessThan(11);
    expect(room.floor(1500, -391)).toBe(Infinity);
  });

  it('holds its size: length, breadth less two walls, height less two', () =>
    expect(room.litres).toBeCloseTo(1 * 0.78 * 0.28 * 1000, -1));

  it('less the foam in it', () => {
    const foam = { id: 'foam', name: 'foam', kind: 'foam', shape: 'box' } as const;
    const from = { x: 1200, y: -100, z: 0 };
    const filled = roomIn({ spaces: [HOLD], hazards: [{ ...foam, from, to: { x: 1400, y: 100, z: 110 } }] });
    expect(room.litres - filled.litres).toBeCloseTo(0.2 * 0.2 * 0.1 * 1000, 1);
  });

  it('holds what its maker says where that is known', () =>
    expect(roomIn({ spaces: [{ ...HOLD, litres: 40 }] }).litres).toBe(40));
});

describe('the inside of a round hull', () => {
  const stations = BOX.stations.map((s) => ({ ...s, halfBreadth: 300 }));
  const skin = skinAt(fairHull({ ...BOX, sections: 'ellipse', stations }), 1500);

  it('is a circle of its radius less the wall', () => {
    for (const y of [0, 80, -160, 220, 270, 285]) {
      const high = skin.height(y) - (300 - Math.sqrt(290 ** 2 - y ** 2));
      expect(high).withContext(`${y}`).toBeGreaterThan(-1);
      expect(high).withContext(`${y}`).toBeLessThan(1);
    }
    expect(skin.edge).toBeCloseTo(290, 6);
    expect(skin.height(291)).toBe(Infinity);
  });

  it('is looked up no lower than it is, and less than a millimetre higher where things stand', () => {
    const table = roomIn({ spaces: [{ ...HOLD, port: -300, starboard: 300 }], sections: 'ellipse', stations });
    for (let y = -260; y <= 260; y += 7.3) {
      const high = table.floor(1503.7, y) - skin.height(y);
      expect(high).toBeGreaterThan(-0.01);
      expect(high).toBeLessThan(1);
    }
  });
});

describe('the floor close to the wall of a hull that narrows', () => {
  const narrowing = BOX.stations.map((s, i, all) => ({ ...s, halfBreadth: 150 + (250 * i) / (all.length - 1) }));
  const model: HullModel = {
    ...BOX,
    sections: 'ellipse',
    stations: narrowing,
    spaces: [{ ...HOLD, port: -400, starboard: 400 }],
  };
  const hull = fairHull(model);
  const room = hull.rooms.get('hold') as Room;

  it('is that of its own section to a hair, never lower, and ends where that does', () =>
    fc.assert(
      fc.property(
        fc.double({ min: HOLD.fore, max: HOLD.aft, noNaN: true }),
        fc.double({ min: 0.8, max: 1.03, noNaN: true }),
        (x, share) => {
          const skin = skinAt(hull, x);
          const y = share * skin.edge;
          const [told, own] = [room.floor(x, y), skin.height(y)];
          if (Math.abs(y - skin.edge) < 0.05) return true;
          if (!Number.isFinite(own)) return told === Infinity;
          // It is steep there: what counts is how far aside the floor of that height lies.
          const steep = Math.max(1, (skin.height(Math.min(y + 0.5, skin.edge - 1e-6)) - own) / 0.5);
          return told > own - 0.05 && (told - own) / steep < 2.5;
        },
      ),
      { seed: 14, numRuns: 400 },
    ));
});

describe('a compartment of before', () => {
  it('is a room of the same middle and litres', () => {
    const [old] =
      upcastHull({
        compartments: [
          {
            id: 'bow',
            name: 'bow hold',
            x: 650,
            y: 20,
            height: 200,
            opening: { long: 440, wide: 290 },
            litres: 70,
            dry: true,
            worn: false,
          },
        ],
      }).spaces ?? [];
    const { litres, middle } = roomIn({ spaces: [{ ...(old as Space), id: 'hold' }] });
    expect(litres).toBe(70);
    expect(middle.x).toBeCloseTo(650, 9);
    expect(middle.y).toBeCloseTo(20, 9);
    expect(middle.z).toBeCloseTo(200, 9);
  });
});
