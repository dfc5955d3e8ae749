import { QUENBY, TOLVANE } from '../../../demo/index';
import type { Line, Plan } from '../../rig';
import { rig } from '@plain-cleat/testing/judging';
import { deck, fitted } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type WorkupInput } from '../../workup';

const tie = (at: string): Line['through'][number] => ({ at: 'tie', tie: at });
const FITTINGS: Plan['fittings'] = {
  bow: fitted('anchor-pulley', deck(215, 0), 'through'),
  stern: fitted('anchor-pulley', deck(3290, 0), 'through'),
  eye: fitted('pad-eye', deck(500, 60), 'rivet'),
  cleat: fitted('jam-cleat', deck(1900, 340), 'rivet'),
  far: fitted('jam-cleat', deck(3100, 150), 'rivet'),
  horn: fitted('horn-cleat', deck(1900, -340), 'rivet'),
  anchor: fitted('anchor-5', deck(2750, 0), 'loose'),
};
const ANCHOR: Line = {
  ...{ use: 'anchor line', of: 'nylon', diameter: 6, way: 'outside starboard', carries: 'anchor' },
  through: [tie('bow.sheave'), tie('cleat.jaws')],
};
/** One line on the boat, with something else of it. */
const one = (line: Line, more: Partial<Line> = {}, fittings: Plan['fittings'] = {}, brief = {}, hull = TOLVANE): WorkupInput =>
  rig({ ...FITTINGS, ...fittings }, brief, hull, { lines: { l: { ...line, ...more } } });
const ground = (more: Partial<NonNullable<Line['ground']>>): NonNullable<Line['ground']> => ({
  ...{ depth: 3000, bottom: 'sand', stream: 1, wind: 10 },
  ...more,
});

const MOTOR = { m: fitted('motor-stern-45', deck(3660, 0), 'through'), top: fitted('jam-cleat', deck(2300, 0), 'rivet') };
const LIFT: Line = {
  ...{ use: 'motor lift', of: 'polyester', diameter: 5, way: 'over the deck', carries: 'm' },
  through: [tie('m.lift'), tie('top.jaws')],
};
const lifting = (more: Partial<Line> = {}, fittings: Plan['fittings'] = {}): WorkupInput =>
  one(LIFT, more, { ...MOTOR, ...fittings }, {}, QUENBY);

describe('lines', () => {
  it('a cable tie that lets go under the boat, and one no hand breaks, are both said', () => {
    const says = (breaks: 80 | 540): string =>
      workUp(one(ANCHOR, { breaks, ground: ground({ stream: 5, wind: 30 }) }))
        .findings.filter((f) => f.code === 'break-away')
        .map((f) => tell(f.says, 'metric'))
        .join();
    expect(says(80)).toMatch(/In waves the boat pulls \d+ kg; the cable tie at the anchor lets go at 8\.\d kg/);
    expect(says(540)).toMatch(/no hand breaks it/);
  });

  it('at a fixed place amidships a boat across the stream is stopped, not only warned', () => {
    const amid = one(
      ANCHOR,
      { through: [tie('side.eye'), tie('cleat.jaws')], ground: ground({ stream: 3 }) },
      {
        side: fitted('pad-eye', deck(1700, 400), 'rivet'),
      },
    );
    expect(workUp(amid).findings.find((f) => f.code === 'anchor-abeam')?.severity).toBe('stop');
  });
});

describe('a motor that is lifted', () => {
  it('asks of the hand what moments about its hinge say, at the hardest of its way (by hand on a hinge and a straight pull)', () => {
    // So high a cleat that nothing but air lies between.
    const w = workUp(lifting({}, { top: fitted('jam-cleat', deck(2300, 0), 'rivet', { lift: 900 }) }));
    const lift = w.lines[0]?.lift;
    const placed = w.aboard.owned.find((i) => i.placed.id === 'm')?.placed;
    const end = w.lines[0]?.led.at(-1)?.at;
    const [move] = placed?.part.body.moves ?? [];
    const arm = placed?.part.ties?.find((t) => t.rides !== undefined);
    if (!lift || !placed || !end || !move || !arm) return fail('no lift');
    // In the plane of the boat: u runs aft, w up, and a negative turn about the beam takes what is below aft and up.
    const { origin, u, w: up } = placed.frame;
    const at = (a: number, c: number): [number, number] => [origin.x + a * u.x + c * up.x, origin.z + a * u.z + c * up.z];
    const hinge = at(move.hinge.u, move.hinge.w);
    const middle = at((move.solid.u[0] + move.solid.u[1]) / 2, (move.solid.w[0] + move.solid.w[1]) / 2);
    const eye = at(arm.u, arm.w);
    let [most, first, last] = [0, 0, 0];
    for (let k = 0; k <= 12; k++) {
      const angle = (move.turns * (k / 12) * Math.PI) / 180;
      const turn = ([x, z]: [number, number]): [number, number] => {
        const [dx, dz] = [x - hinge[0], z - hinge[1]];
        return [hinge[0] + dx * Math.cos(angle) + dz * Math.sin(angle), hinge[1] - dx * Math.sin(angle) + dz * Math.cos(angle)];
      };
      const [mx] = turn(middle);
      const [ex, ez] = turn(eye);
      const far = Math.hypot(end.x - ex, end.y - origin.y, end.z - ez);
      if (k === 0) first = far;
      last = far;
      // The moment of a force on a point about a hinge across the boat: z · Fx − x · Fz.
      const lever = ((ez - hinge[1]) * (end.x - ex) - (ex - hinge[0]) * (end.z - ez)) / far;
      const falls = placed.part.body.massKg * 9.80665 * (mx - hinge[0]);
      if (falls > 0) most = Math.max(most, falls / -lever);
    }
    expect(lift.hand).toBeCloseTo(most, 6);
    expect(lift.travels).toBeCloseTo(first - last, 6);
    expect(lift.hand).toBeGreaterThan(50);
  });

  it('cannot be lifted by a line that draws past its hinge, and that is said', () => {
    const past = lifting(
      { through: [tie('m.lift'), tie('aft.jaws')] },
      { m: fitted('motor-stern-45', deck(3555, 0), 'through'), aft: fitted('jam-cleat', deck(3815, 60), 'rivet') },
    );
    expect(workUp(past).lines[0]?.hand).toBe(Infinity);
    expect(
      workUp(past)
        .findings.find((f) => f.code === 'line-hard-to-pull')
        ?.says.join(''),
    ).toContain('cannot lift');
  });
});
