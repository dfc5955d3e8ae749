import fc from 'fast-check';
import { CATALOG, FENDRICK } from '../../../demo/index';
import { sweptBy } from '../../layout';
import type { Part } from '../../parts/parts';
import type { Fitting, Place } from '../../rig';
import { deck, fitted, inputOf, partOf, partWith } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type Workup } from '../../workup';
import { runs } from '../../../testing/runs';

const box = (id: string, u: number, v: number, w: [number, number]): Part => ({
  ...partWith(partOf('bottle-holder'), {
    body: { solids: [{ name: 'box', u: [-u, u], v: [-v, v], w }], base: { length: 2 * u, width: 2 * v, thickness: 4 } },
    holding: { ways: ['clamp', 'loose', 'through'], clamps: { least: 15, most: 30 } },
  }),
  id,
});
const RIDER = box('rider', 40, 30, [0, 120]);
const POST = box('post', 25, 25, [0, 400]);
const work = (fittings: Record<string, Fitting>, parts: readonly Part[] = [RIDER, POST]): Workup =>
  workUp({ ...inputOf(fittings, {}, [], FENDRICK), catalog: { ...CATALOG, parts: [...CATALOG.parts, ...parts] } });
const onRail = (x: number): Place => ({ on: 'rail', rail: 'drive-rail', x, heading: 0 });
const drive = FENDRICK.moving?.find((m) => m.id === 'drive');
const met = (w: Workup): string | undefined => w.findings.find((f) => f.code === 'rider-meets' && f.where === 'r')?.key;

describe('what rides on what moves', () => {
  it('goes with the drive: on its rail it meets what a box turned about its hinge meets, and nothing else (random posts)', () => {
    if (!drive) return fail('no drive');
    const cases = { hits: 0, clear: 0 };
    fc.assert(
      fc.property(
        fc.integer({ min: 1560, max: 1740 }),
        fc.integer({ min: 1000, max: 2300 }),
        fc.integer({ min: -140, max: 140 }),
        (at, x, y) => {
          const w = work({ r: fitted('rider', onRail(at), 'clamp'), p: fitted('post', deck(x, y), 'loose') });
          const post = w.aboard.owned.find((i) => i.placed.id === 'p')?.placed;
          const rider = w.aboard.owned.find((i) => i.placed.id === 'r')?.placed;
          if (!post || !rider) return false;
          // The oracle: points of the rider's box, each turned about y through the hinge, looked up in the post's box.
          const { x: rx, y: ry, z: rz } = rider.frame.origin;
          const { x: px, y: py, z: pz } = post.frame.origin;
          let [deep, rest] = [-Infinity, -Infinity];
          for (let degrees = 0; degrees <= 95; degrees += 0.5)
            for (let a = -40; a <= 40; a += 8)
              for (let b = -30; b <= 30; b += 10)
                for (let c = 0; c <= 120; c += 8) {
                  const t = (-degrees * Math.PI) / 180;
                  const [dx, dz] = [rx + a - drive.hinge.x, rz + c - drive.hinge.z];
                  const q = {
                    x: drive.hinge.x + dx * Math.cos(t) + dz * Math.sin(t),
                    y: ry + b,
                    z: drive.hinge.z - dx * Math.sin(t) + dz * Math.cos(t),
                  };
                  const inside = Math.min(25 - Math.abs(q.x - px), 25 - Math.abs(q.y - py), q.z - pz, pz + 400 - q.z);
                  deep = Math.max(deep, inside);
                  if (degrees === 0) rest = Math.max(rest, inside);
                }
          // What overlaps at rest is said elsewhere; grazes are not told apart by points.
          if (rest > -12 || Math.abs(deep) < 14) return true;
          const said = met(w) !== undefined;
          if (deep > 0) cases.hits++;
          else cases.clear++;
          return (
            said === deep > 0 ||
            w.findings.some((f) => f.code === 'rider-meets' && tell(f.says, 'metric').includes('the paddler'))
          );
        },
      ),
      { numRuns: runs(60), seed: 4 },
    );
    expect(cases.clear).toBeGreaterThan(5);
  });

  it('is not in the way of what it rides on, and beside it on deck it is', () => {
    const rides = work({ r: fitted('rider', onRail(1650), 'clamp') });
    expect(rides.findings.filter((f) => f.code === 'swings')).toEqual([]);
    const beside = work({ r: fitted('post', deck(1600, 0), 'loose') });
    expect(beside.findings.some((f) => f.code === 'where-it-rests' && f.where === 'r')).toBeTrue();
  });

  it('what stands on a rider rides too', () => {
    const tray = { ...box('tray', 60, 50, [0, 20]), body: { ...box('tray', 60, 50, [0, 20]).body, carries: true } };
    const w = work(
      {
        t: fitted('tray', onRail(1650), 'clamp'),
        r: fitted('rider', { on: 'fitting', fitting: 't', u: 0, v: 0, heading: 0 }, 'loose'),
      },
      [RIDER, tray],
    );
    const untied = w.findings.find((f) => f.code === 'rider-untied');
    expect([untied?.where, tell(untied?.says ?? [], 'metric')]).toEqual([
      'r',
      `${RIDER.name} rides on the pedal drive and is not tied.`,
    ]);
    const [tie] = untied?.tries(CATALOG.parts) ?? [];
    expect(tie?.changes[0]).toEqual(jasmine.objectContaining({ kind: 'tetherItem', item: 'r' }) as never);
  });

  it('a spike goes straight down, and a boom swings out to the side it is turned to', () => {
    const w = work({
      s: fitted('powered-spike', deck(3400, 0), 'through'),
      d: fitted('downrigger', deck(2700, 300), 'through'),
    });
    const swept = (id: string) => {
      const item = w.aboard.owned.find((i) => i.placed.id === id);
      return item ? sweptBy(item.placed) : [];
    };
    const [spike] = swept('s');
    const [first, last] = [spike?.poses[0], spike?.poses.at(-1)];
    // The deck slopes a little.
    expect(Math.abs((first?.bottom ?? 0) - (last?.bottom ?? 0) - 560)).toBeLessThan(2);
    const [boom] = swept('d');
    expect(boom?.poses.length).toBeGreaterThan(20);
  });
});
