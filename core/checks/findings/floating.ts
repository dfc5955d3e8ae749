import { entryOf } from '../../rig';
import { afloatKg, centreOfPart, stowedMasses, trimDegrees, waterAt } from '../../water/float';
import { kg, mm, over, say, under } from '../../base/units';
import { intoRooms } from './other-rooms';
import { check } from './check';
import { aboutHull, type Judged, nameOf, type Raw, slideTo, type Try } from './finding';

const AN_ESTIMATE = 'An estimate: it does not replace a test in shallow water.';

/** No balance under this load: it sinks, or an end goes under first. */
export const cannotFloat = check({
  about: 'set',
  ofBody: true,
  finds: {
    'cannot-float': { called: 'Does not float', severity: 'stop', acceptedBy: 'nobody', decides: 'the owner', since: 4 },
  },
  judge: ({ hull, float }): Raw[] => {
    const { fault, massKg } = float;
    if (!fault) return [];
    const end = fault === 'bow under' ? 0 : fault === 'stern under' ? hull.length : hull.length / 2;
    const says = {
      sinks: say`All told ${kg(massKg)}: the hull does not carry that.`,
      'bow under': say`The bow goes under before the boat balances under ${kg(massKg)}.`,
      'stern under': say`The stern goes under before the boat balances under ${kg(massKg)}.`,
    }[fault];
    return [
      {
        ...aboutHull(hull, end),
        code: 'cannot-float',
        measure: over(massKg, 'kg'),
        says,
        because: say`The weight balances ${mm(float.centre.x)} aft of the bow. Take weight off, or move it to the middle. ${AN_ESTIMATE}`,
      },
    ];
  },
});

/** It stays upright with everything aboard, of who stands where somebody does. */
export const steady = check({
  about: 'set',
  ofBody: true,
  finds: {
    unsteady: { called: 'Unsteady', severity: 'stop', acceptedBy: 'nobody', decides: 'the owner', since: 14 },
    'unsteady-standing': { called: 'Unsteady to stand in', severity: 'look', decides: 'the owner', since: 14 },
  },
  judge: ({ hull, steady: of, plan: { brief }, float }): Raw[] => {
    const gm = float.fault ? null : of();
    if (gm === null || gm > 0) return [];
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        ...(brief.stands === 'sits'
          ? ({ code: 'unsteady' } as const)
          : // Who stands gives with the boat, and holds it by their feet.
            ({ code: 'unsteady-standing' } as const)),
        measure: under(gm, 'mm', 0),
        says: say`It does not stay upright by itself with everything aboard${brief.stands === 'sits' ? '' : ' and somebody standing'}: its metacentric height is ${mm(gm, 'down')}.`,
        because: say`${brief.stands === 'sits' ? 'What is high up makes it tip over.' : 'Whoever stands has to hold it by their feet all the time.'} Heavy things lower, a lower seat, a wider hull, outriggers. ${AN_ESTIMATE}`,
      },
    ];
  },
});

/** A self-draining floor under water: it runs in where it should run out. */
export const wetFloor = check({
  about: 'set',
  ofBody: true,
  finds: {
    'wet-floor': { called: 'Water on the floor', severity: 'look', since: 4 },
  },
  judge: (judged) => {
    const { hull, float, plan } = judged;
    const { model } = hull;
    if (float.fault || model.kind === 'sit-inside') return [];
    return model.decks.flatMap((d): Raw[] => {
      const drains = model.scuppers.filter((s) => s.x >= d.fore && s.x <= d.aft && s.y >= d.port && s.y <= d.starboard);
      const open = drains.filter((s) => entryOf(plan.scuppers, s.id) !== 'plugged');
      if ((d.kind !== 'cockpit' && d.kind !== 'tank well') || open.length === 0) return [];
      const ends = [
        { at: d.fore, end: 'fore', over: waterAt(float, d.fore) - d.height },
        { at: d.aft, end: 'after', over: waterAt(float, d.aft) - d.height - d.rise },
      ];
      const worst = ends.reduce((a, b) => (b.over > a.over ? b : a));
      if (worst.over <= 0) return [];
      return [
        {
          ...aboutHull(hull, worst.at),
          code: 'wet-floor',
          detail: d.id,
          fixable: true,
          measure: over(worst.over, 'mm'),
          says: say`Water stands ${mm(worst.over, 'up')} over the ${worst.end} end of the ${d.name}: it comes up through the scuppers.`,
          because: say`With everything aboard the boat weighs ${kg(float.massKg)}. Less weight, weight at the other end, or plugs and a sponge. ${AN_ESTIMATE}`,
          tries: () => towards(worst.end === 'after' ? 'bow' : 'stern', judged),
        },
      ];
    });
  },
});

/** A handle that hangs in the water drags. */
export const handleDrags = check({
  about: 'set',
  ofBody: true,
  finds: {
    'handle-drags': { called: 'Handle drags in the water', severity: 'look', since: 4 },
  },
  judge: ({ hull, float }) =>
    (hull.model.handles ?? []).flatMap((h): Raw[] => {
      const wet = waterAt(float, h.x) - h.height;
      if (float.fault || wet <= 0) return [];
      return [
        {
          ...aboutHull(hull, h.x),
          code: 'handle-drags',
          detail: h.id,
          measure: over(wet, 'mm'),
          says: say`The ${h.name} hangs ${mm(wet, 'up')} in the water.`,
          because: say`The water stands ${mm(waterAt(float, h.x))} over the keel there. Weight away from that end. ${AN_ESTIMATE}`,
        },
      ];
    }),
});

/** A heavy thing is shifted by so much, the least that does (judgement), mm. */
const SHIFTS = Array.from({ length: 30 }, (_, i) => 50 * (i + 1));

/** Too light to matter for the trim (judgement), kg. */
const LIGHT = 3;

/** Heavy loose things, to where the deck is lower in the water the least. */
function towards(end: 'bow' | 'stern', judged: Judged): Try[] {
  const { items, hull } = judged;
  const wanted = end === 'bow' ? ['foredeck', 'cockpit'] : ['tank well', 'stern deck'];
  const decks = hull.model.decks.filter((d) => wanted.includes(d.kind));
  return items
    .filter(
      (i) => i.placed.place.on === 'deck' && i.placed.part.holding.ways.includes('loose') && i.placed.part.body.massKg >= LIGHT,
    )
    .filter((i) => (end === 'bow' ? 1 : -1) * (i.placed.frame.origin.x - hull.length / 2) > 0)
    .sort((a, b) => b.placed.part.body.massKg - a.placed.part.body.massKg)
    .slice(0, 3)
    .flatMap((i) => {
      const { place, part } = i.placed;
      if (place.on !== 'deck') return [];
      const half = part.body.base.length / 2 + 30;
      const inside = part.inside?.usual
        ? intoRooms(i, judged, ({ space }) => (end === 'bow') === (space.fore + space.aft) / 2 < hull.length / 2)
        : [];
      const onDeck = decks.flatMap((d) => {
        const at = (share: number): number => d.fore + share * (d.aft - d.fore);
        // On the centre line first; beside it where something of the hull is in the way there.
        const xs = [at(0.5), end === 'bow' ? d.fore + half : d.aft - half, at(0.25), at(0.75)];
        return [0, d.port / 2, d.starboard / 2].flatMap((y) =>
          xs.map((x) => ({
            says: say`${i.letter}, ${nameOf(i)}, to the ${d.name}`,
            changes: [slideTo(i, { ...place, x, y })],
          })),
        );
      });
      const forward = end === 'bow' ? -1 : 1;
      const { x: here, y } = i.placed.frame.origin;
      const slid = SHIFTS.flatMap((by): Try[] => {
        const x = here + forward * by;
        const { deck } = hull.spot(x, y);
        if (!deck || x - half < deck.fore || x + half > deck.aft) return [];
        return [
          {
            says: say`${i.letter}, ${nameOf(i)}, ${mm(by)} ${end === 'bow' ? 'forward' : 'aft'}`,
            changes: [slideTo(i, { ...place, x })],
          },
        ];
      });
      return [...slid, ...inside, ...onDeck];
    });
}

/** One end much deeper than the other: it drags, steers badly, and takes water first. */
export const trimmed = check({
  about: 'set',
  ofBody: true,
  finds: {
    'stern-heavy': { called: 'Stern heavy', severity: 'look', since: 2 },
    'bow-heavy': { called: 'Bow heavy', severity: 'look', since: 4 },
  },
  judge: (judged): Raw[] => {
    const { items, hull, shop, float, plan, gearKg } = judged;
    const degrees = trimDegrees(float);
    if (float.fault || gearKg <= 0 || Math.abs(degrees) <= shop.limits.trim) return [];
    const [deep, light] = degrees > 0 ? (['stern', 'bow'] as const) : (['bow', 'stern'] as const);
    const more = Math.abs(waterAt(float, hull.length) - waterAt(float, 0));
    const from = hull.length * (1 - shop.limits.stern);
    const stowed = stowedMasses(
      hull,
      items.filter((i) => i.placed.part.contains),
      plan,
    );
    const gear = [...items.map(({ placed }) => ({ kg: afloatKg(placed), at: centreOfPart(placed) })), ...stowed];
    const sum = (of: typeof gear): number => of.reduce((all, m) => all + m.kg, 0);
    const share = Math.round(shop.limits.stern * 100);
    return [
      {
        ...aboutHull(hull, deep === 'stern' ? hull.length : 0),
        code: `${deep}-heavy`,
        severity: 'look',
        fixable: true,
        measure: over(more, 'mm'),
        says: say`The ${deep} floats ${mm(more, 'up')} deeper than the ${light}: ${(Math.ceil(Math.abs(degrees) * 10) / 10).toFixed(1)}°, and ${shop.limits.trim}° is let pass.`,
        because: say`${kg(sum(gear.filter((m) => m.at.x > from)))} of ${kg(sum(gear))} gear stands in the aft ${share} % of the length; paddler ${kg(plan.brief.weightKg)}. Heavy things low and in the middle. ${AN_ESTIMATE}`,
        tries: () => towards(light, judged),
      },
    ];
  },
});
