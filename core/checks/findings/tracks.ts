import { strengthOf, type Strength } from '../advice';
import type { Fitted } from '../../holding/fitted';
import { workingLoad } from '../../holding/mounting';
import { growthOver, lieOf, ridersOf, SHORTEST, slotsOf } from '../../holding/tracks';
import { asHung, kg, mm, say, over, under } from '../../base/units';
import { check } from './check';
import { about, type Judged, nameOf, type Raw, type Try } from './finding';

/** A screwed-down track may stand so far off in its middle before it is bent or shimmed (judgement), mm. */
const GAP = 2;

const isTrack = ({ placed: { part } }: Fitted): boolean => part.holding.slot !== undefined;

/** A shorter piece of the same track. */
function shorter({ placed: { id, part, fitting } }: Fitted, share: number): Try[] {
  const to = Math.floor((part.body.base.length * share) / 10) * 10;
  if (!part.sold.cutFrom || to < SHORTEST) return [];
  return [
    { says: say`Cut it to ${mm(to, 'down')}`, changes: [{ kind: 'cutTrack', item: id, from: fitting.length ?? null, to }] },
  ];
}

/** A straight track on a hull that curves away under it. */
export const trackLies = check({
  about: 'rig',
  finds: {
    'track-gap': { called: 'Track does not lie on the deck', severity: 'look', since: 4 },
  },
  judge: ({ owned, hull, memory }) =>
    owned.filter(isTrack).flatMap((item): Raw[] => {
      const { gap, edge } = memory.of('lie', item.placed, () => lieOf(hull, item.placed));
      if (gap <= GAP) return [];
      return [
        {
          ...about(item),
          code: 'track-gap',
          fixable: true,
          measure: over(gap, 'mm', GAP),
          says: say`${nameOf(item)} is straight: where the hull curves away under it there are ${mm(gap, 'up')} of air.`,
          because: edge
            ? say`Screwed down it bends, or pulls its screws. Shim it, or use shorter pieces; it runs ${mm(edge.least, 'down')} to ${mm(edge.most, 'up')} in from the gunwale edge.`
            : say`Screwed down it bends, or pulls its screws. Shim it, or use shorter pieces along the side.`,
          tries: [...shorter(item, 0.7), ...shorter(item, 0.5)],
        },
      ];
    }),
});

/** A long metal track on plastic: the hull grows more, so only the middle is held hard. */
export const trackSlots = check({
  about: 'rig',
  finds: {
    'track-slots': { called: 'Slots of the track do not fit', severity: 'note', since: 4 },
  },
  judge: ({ owned, hull, shop }) =>
    owned
      .filter((i) => isTrack(i) && i.holes.length > 1)
      .flatMap((item): Raw[] => {
        const { material } = hull.model;
        const slots = slotsOf(item, material, shop.holding);
        const slotted = slots.filter((s) => s.slot > 0);
        if (slotted.length === 0) return [];
        const { length } = item.placed.part.body.base;
        const [least, most] = growthOver(length, material, shop.holding.heat);
        const longest = Math.max(...slotted.map((s) => s.slot));
        const middle = slots.find((s) => s.slot === 0);
        return [
          {
            ...about(item),
            step: 'drill',
            code: 'track-slots',
            says: say`${nameOf(item)}: fix ${middle?.label ?? 'the middle'}, slot ${slotted.map((s) => s.label).join(', ')} in the track, the end ones by ${mm(longest, 'up')}.`,
            because: say`From a cold yard to hot sun, ${String(shop.holding.heat)} °C or ${String(Math.round(shop.holding.heat * 1.8))} °F, the hull grows ${mm(least)} to ${mm(most, 'up')} more than ${mm(length)} of aluminium. Held hard at both ends it bows or tears its screws.`,
          },
        ];
      }),
});

/** What is set on a track beyond its ends, or across another. */
export const offItsTrack = check({
  about: 'rig',
  finds: {
    'off-its-track': { called: 'Off its track', severity: 'stop', since: 4 },
  },
  judge: ({ owned }) =>
    owned.filter(isTrack).flatMap((track) =>
      ridersOf(owned, track.placed.id).flatMap((rider): Raw[] => {
        const { place, part } = rider.placed;
        if (place.on !== 'fitting' || rider.mounted.hold !== 'track') return [];
        const bolts = rider.mounted.spots.map((s) => Math.abs(place.u + s.u));
        const past = Math.max(Math.abs(place.u), ...bolts) - track.placed.part.body.base.length / 2;
        if (past <= 0) return [];
        const to = { ...place, u: Math.sign(place.u) * Math.max(0, Math.abs(place.u) - past - 5) };
        return [
          {
            ...about(rider),
            code: 'off-its-track',
            fixable: true,
            measure: over(past, 'mm'),
            says: say`${nameOf(rider)} hangs ${mm(past, 'up')} over the end of ${track.letter}, ${nameOf(track)}.`,
            because: say`Its T-bolts want slot under them; its base is ${mm(part.body.base.length)} long.`,
            tries: [
              {
                says: say`Slide it onto the track`,
                changes: [{ kind: 'slideItem', item: rider.placed.id, from: rider.placed.fitting.place, to }],
              },
            ],
          },
        ];
      }),
    ),
});

/** What the screws of a track bear under one rider: the two next to it carry its pull. */
function underRider({ hull, shop }: Pick<Judged, 'hull' | 'shop'>, track: Fitted, rider: Fitted): Strength | null {
  const { place, part, fitting } = rider.placed;
  if (place.on !== 'fitting' || track.mounted.spots.length === 0) return null;
  const near = [...track.mounted.spots].sort((a, b) => Math.abs(a.u - place.u) - Math.abs(b.u - place.u)).slice(0, 2);
  const spread = Math.max(...near.map((s) => s.u)) - Math.min(...near.map((s) => s.u));
  const own = workingLoad(part);
  const { body, holding } = track.placed.part;
  const { base } = body;
  const load = { newtons: own.newtons, lever: own.lever + fitting.lift + base.thickness, toward: own.toward };
  return strengthOf(
    hull,
    {
      ...track.placed,
      part: {
        ...track.placed.part,
        holding: { ...holding, load },
        body: { ...body, base: { ...base, length: Math.max(spread, base.width) } },
      },
    },
    { ...track.mounted, spots: near.map((s) => ({ u: s.u - place.u, v: s.v })) },
    shop,
  );
}

/** A track whose own screws do not bear what rides on it. */
export const weakTrack = check({
  about: 'rig',
  finds: {
    'weak-track': { called: 'Track weak for its load', severity: ['note', 'stop'], since: 4 },
  },
  judge: (judged) =>
    judged.owned.filter(isTrack).flatMap((track) => {
      const ridden = ridersOf(judged.owned, track.placed.id).flatMap((rider) => {
        const strength = underRider(judged, track, rider);
        return strength ? [{ rider, strength }] : [];
      });
      const [worst] = ridden.sort((a, b) => a.strength.factor - b.strength.factor);
      if (!worst || worst.strength.factor >= 1) return [];
      const { newtons, lever } = workingLoad(worst.rider.placed.part);
      return [
        {
          ...about(track),
          code: 'weak-track',
          severity: track.placed.fitting.mount.reason ? 'note' : 'stop',
          measure: under(worst.strength.factor, 'times', 1),
          says: say`The screws of ${nameOf(track)} bear ${worst.strength.factor.toFixed(1)} of what ${worst.rider.letter}, ${nameOf(worst.rider)}, asks of them: ${worst.strength.rules}.`,
          because: say`It pulls with ${kg(asHung(newtons))} at ${mm(lever)} over the slot, and the two screws next to it carry that. Bolt the track through, on a plate, or slide the rider nearer a screw.`,
        } satisfies Raw,
      ];
    }),
});
