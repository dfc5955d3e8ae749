import { CATALOG, QUENBY, TOLVANE } from '../../demo/index';
import type { Fact, Line, Plan } from '../rig';
import { judgeCases, rig } from '../testing/judging';
import { deck, fitted, partWith } from '../testing/plans';
import { tell } from '../units';
import { workUp, type WorkupInput } from '../workup';

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
const TROLLEY: Line = {
  ...{ use: 'anchor trolley', of: 'polyester', diameter: 5, way: 'outside starboard' },
  through: [tie('bow.sheave'), tie('stern.sheave')],
};
const ANCHOR: Line = {
  ...{ use: 'anchor line', of: 'nylon', diameter: 6, way: 'outside starboard', carries: 'anchor' },
  through: [tie('bow.sheave'), tie('cleat.jaws')],
};
/** One line on the boat, with something else of it. */
const one = (line: Line, more: Partial<Line> = {}, fittings: Plan['fittings'] = {}, brief = {}, hull = TOLVANE): WorkupInput =>
  rig({ ...FITTINGS, ...fittings }, brief, hull, { lines: { l: { ...line, ...more } } });
const both = (ring: Partial<Line>): WorkupInput =>
  rig(FITTINGS, {}, TOLVANE, {
    lines: { t: TROLLEY, l: { ...ANCHOR, through: [{ at: 'ring', line: 't' }, tie('cleat.jaws')], ...ring } },
  });
const ground = (more: Partial<NonNullable<Line['ground']>>): NonNullable<Line['ground']> => ({
  ...{ depth: 3000, bottom: 'sand', stream: 1, wind: 10 },
  ...more,
});
const withPart = (input: WorkupInput, id: string, more: Parameters<typeof partWith>[1]): WorkupInput => ({
  ...input,
  catalog: { ...input.catalog, parts: CATALOG.parts.map((p) => (p.id === id ? partWith(p, more) : p)) },
});
const seen = (input: WorkupInput, thing: string): WorkupInput => ({
  ...input,
  facts: [
    {
      ...{ id: '00000000-0000-4000-8000-000000000009', rig: input.plan.id, kind: 'thingSeen', thing, is: 'broken', note: '' },
      ...{ deviceTime: '2026-06-02T10:00:00.000Z', serverTime: '2026-06-02T10:00:00.000Z', by: 'Mara Voss' },
    } as unknown as Fact,
  ],
});

const MOTOR = { m: fitted('motor-stern-45', deck(3660, 0), 'through'), top: fitted('jam-cleat', deck(2300, 0), 'rivet') };
const LIFT: Line = {
  ...{ use: 'motor lift', of: 'polyester', diameter: 5, way: 'over the deck', carries: 'm' },
  through: [tie('m.lift'), tie('top.jaws')],
};
const lifting = (more: Partial<Line> = {}, fittings: Plan['fittings'] = {}): WorkupInput =>
  one(LIFT, more, { ...MOTOR, ...fittings }, {}, QUENBY);

/** A cooler in the tank well, between an eye on a post ahead of it and a cleat behind it. */
const LOW = {
  cool: fitted('cooler-20', deck(2700, 0), 'loose'),
  low: fitted('pad-eye', deck(2420, 0), 'rivet'),
  far: fitted('jam-cleat', deck(3100, 0), 'rivet', { lift: 30 }),
};
const COOLER = {
  cool: fitted('cooler-20', deck(2700, 0), 'loose'),
  post: fitted('pad-eye', deck(2420, 0), 'rivet', { lift: 380 }),
  far: fitted('jam-cleat', deck(3100, 0), 'rivet', { lift: 380 }),
};
const OVER_COOLER: Partial<Line> = { through: [tie('post.eye'), tie('far.jaws')], way: 'over the deck' };

describe('lines', () => {
  judgeCases([
    {
      code: 'line-unled',
      fires: seen(one(ANCHOR), 'cleat'),
      says: /made fast to something that is not there/,
      not: seen(one(ANCHOR), 'far'),
      fix: false,
    },
    {
      // In a stream of 5 km/h across 3 mm: about half of its knotted strength, a third is allowed.
      code: 'line-weak',
      fires: one(ANCHOR, { diameter: 3, ground: ground({ stream: 12, wind: 40 }) }),
      says: /drawn with \d+ kg and should bear 3 times/,
      not: one(ANCHOR, { diameter: 6, ground: ground({ stream: 12, wind: 40 }) }),
    },
    {
      code: 'line-tears-mount',
      fires: one(ANCHOR, { ground: ground({ stream: 12, wind: 50 }) }),
      says: /pulls at A, sheave of Trolley pulley with \d+ kg/,
      not: one(ANCHOR, { ground: ground({ stream: 6, wind: 30 }) }),
      fix: false,
    },
    {
      code: 'line-pulls-mount',
      fires: one(ANCHOR, { ground: ground({ stream: 10, wind: 20 }) }),
      says: /pulls at A, sheave of Trolley pulley with \d+ kg/,
      not: one(ANCHOR),
      fix: false,
    },
    {
      code: 'line-too-thick',
      fires: one(ANCHOR, { diameter: 6.5 }),
      says: /is 1 mm too thick for A, sheave/,
      not: one(ANCHOR, { diameter: 6 }),
    },
    {
      code: 'no-quick-release',
      fires: one(ANCHOR, { through: [tie('bow.sheave'), tie('horn.horns')], way: 'outside port' }),
      says: /ends at \w, horns of Horn cleat, 4 in and cannot be let go/,
      not: one(ANCHOR),
      fix: false,
    },
    {
      code: 'line-no-cleat',
      fires: lifting({ through: [tie('m.lift'), tie('eye.eye')] }),
      says: /ends at \w, eye of Pad eye, which holds nothing/,
      not: lifting(),
      fix: false,
    },
    {
      code: 'line-out-of-hand',
      fires: one(ANCHOR, { through: [tie('bow.sheave'), tie('far.jaws')] }),
      says: /worked out of reach/,
      not: one(ANCHOR),
      fix: false,
    },
    {
      // The motor weighs under 10 kg; drawn straight past its hinge it asks several times that.
      code: 'line-hard-to-pull',
      fires: withPart(lifting(), 'motor-stern-45', { body: { massKg: 60 } }),
      says: /asks \d+ kg of the hand|cannot lift/,
      not: withPart(lifting(), 'motor-stern-45', { body: { massKg: 5 } }),
      fix: false,
    },
    {
      code: 'line-chafes',
      fires: one(ANCHOR, { ground: ground({ stream: 3, wind: 30 }) }),
      says: /rubs over the hull for \d\.\d+ m/,
      not: one(ANCHOR, { ground: ground({ stream: 0, wind: 0 }) }),
      fix: false,
    },
    {
      code: 'line-propeller',
      fires: one(
        { ...ANCHOR, through: [tie('aft.eye'), tie('cleat.jaws')] },
        {},
        { aft: fitted('pad-eye', deck(3500, 40), 'rivet'), ...MOTOR, cleat: fitted('jam-cleat', deck(1900, 340), 'rivet') },
        {},
        QUENBY,
      ),
      says: /leaves the boat \d+ mm too near the propeller of/,
      not: one(ANCHOR, {}, MOTOR, {}, QUENBY),
      fix: false,
    },
    {
      code: 'line-over-hatch',
      fires: one(
        ANCHOR,
        { through: [tie('eye.eye'), tie('cleat.jaws')], way: 'over the deck' },
        { eye: fitted('pad-eye', deck(400, -60), 'rivet') },
      ),
      says: /lies across the \w+/,
      not: one(ANCHOR),
    },
    {
      code: 'line-at-feet',
      fires: one(ANCHOR, { through: [tie('eye.eye'), tie('horn.horns')], way: 'over the deck' }),
      says: /lies where the legs are/,
      not: one(ANCHOR, { through: [tie('eye.eye'), tie('horn.horns')], way: 'outside port' }),
    },
    {
      code: 'line-in-stroke',
      fires: one(
        ANCHOR,
        { through: [tie('bow.sheave'), tie('pole.eye')], way: 'over the deck' },
        { pole: fitted('pad-eye', deck(1700, 200), 'rivet', { lift: 900 }) },
        { propulsion: ['paddle'] },
      ),
      says: /stands \d+ mm into the paddle stroke/,
      not: one(ANCHOR, {}, {}, { propulsion: ['paddle'] }),
      fix: false,
    },
    {
      code: 'line-in-way',
      fires: one(ANCHOR, OVER_COOLER, COOLER),
      says: /lies \d+ mm in the way of the lid of \w, Cooler/,
      not: one(ANCHOR, {}, COOLER),
      fix: false,
    },
    {
      code: 'line-meets',
      fires: one(ANCHOR, { ...OVER_COOLER, through: [tie('low.eye'), tie('far.jaws')] }, LOW),
      says: /is drawn against \w, Cooler/,
      not: one(ANCHOR, {}, LOW),
    },
    {
      code: 'anchor-light',
      fires: one(ANCHOR, { ground: ground({ stream: 2.01 }) }),
      says: /is 2\.\d kg lighter than wind and stream ask/,
      not: one(ANCHOR, { ground: ground({ stream: 2 }) }),
      fix: false,
    },
    {
      code: 'anchor-short',
      fires: one(ANCHOR, { rode: 16_000 }),
      says: /is 0\.\d+ m short of 5 times the depth/,
      not: one(ANCHOR, { rode: 17_000 }),
    },
    {
      code: 'break-away',
      fires: one(ANCHOR, { ground: ground({ bottom: 'rock' }) }),
      says: /Nothing breaks away where the anchor fouls on rock/,
      not: one(ANCHOR, { ground: ground({ bottom: 'rock' }), breaks: 220 }),
    },
    {
      code: 'anchor-abeam',
      fires: both({ ground: ground({ stream: 1.5 }) }),
      says: /With the ring amidships the boat lies \d+° to a stream of 1\.5 km\/h/,
      not: both({ ground: ground({ stream: 1.49 }) }),
      fix: false,
    },
  ]);

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
    const past = lifting({ through: [tie('m.lift'), tie('aft.jaws')] }, { aft: fitted('jam-cleat', deck(3815, 60), 'rivet') });
    expect(workUp(past).lines[0]?.hand).toBe(Infinity);
    expect(
      workUp(past)
        .findings.find((f) => f.code === 'line-hard-to-pull')
        ?.says.join(''),
    ).toContain('cannot lift');
  });
});
