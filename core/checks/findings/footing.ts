import { isInside } from '../../holding/inside';
import { footingOf, reachesIntoDeck, reachesOverboard, type Footing } from '../../layout';
import type { Fitted } from '../../holding/fitted';
import { mm, say, sideOf, over, under } from '../../base/units';
import { check } from './check';
import { about, alone, type Alone, isWorn, nameOf, type Raw, slideTo, type Try } from './finding';

/** Least share of a base that must lie on its surface: bolted down, and set down loose (judgement). */
const CARRIED = { fixed: 0.95, loose: 0.6 } as const;
/** What lies loose is set down beside a step when it is so little into it (judgement), mm. */
const BESIDE = 50;
/** So far beyond the edge nothing catches (judgement), mm. */
const OVER_EDGE = 20;

/** What a fitting on deck lies on; null for what stands on a track, a rail, another fitting or the side. */
const footing = ({ hull, memory }: Alone, { placed }: Fitted): Footing | null =>
  placed.place.on === 'deck' && !placed.frame.off ? memory.of('footing', placed, () => footingOf(hull, placed)) : null;

const inAWell = (judged: Alone, { placed }: Fitted): boolean =>
  placed.part.holding.ways.includes('loose') &&
  judged.hull.model.decks.some((d) => d.kind === 'tank well' && d.name === placed.frame.surface);

/** Ways to lie inside an area: slid, turned a quarter, or both. */
function waysIn(item: Fitted, area: { fore: number; aft: number; port: number; starboard: number }): Try[] {
  const { place, part } = item.placed;
  if (place.on !== 'deck') return [];
  const at = (heading: number): Try[] => {
    const a = (heading * Math.PI) / 180;
    const [l, w] = [part.body.base.length / 2, part.body.base.width / 2];
    const [hx, hy] = [
      l * Math.abs(Math.cos(a)) + w * Math.abs(Math.sin(a)),
      l * Math.abs(Math.sin(a)) + w * Math.abs(Math.cos(a)),
    ];
    if (area.aft - area.fore < 2 * hx || area.starboard - area.port < 2 * hy) return [];
    const to = {
      ...place,
      heading,
      x: Math.min(area.aft - hx, Math.max(area.fore + hx, place.x)),
      y: Math.min(area.starboard - hy, Math.max(area.port + hy, place.y)),
    };
    const far = Math.hypot(to.x - place.x, to.y - place.y);
    const turned = Math.abs(heading - place.heading) > 0.5;
    const says = turned ? (far > 1 ? say`Turn it, and move it ${mm(far)}` : say`Turn it`) : say`Move it ${mm(far)}`;
    return [{ says, changes: [slideTo(item, to)] }];
  };
  const square = 90 * Math.round(place.heading / 90);
  return [place.heading, square, square === 180 ? 90 : square + 90].flatMap(at);
}

/** A crate or box that stands in a well drops in whole, as it is turned and where it stands. */
export const fitsItsPlace = check({
  about: 'set',
  finds: {
    'fits-its-place': { called: 'Stands into the rim of a well', severity: 'stop', since: 2 },
  },
  judge: alone((item, judged): Raw[] => {
    if (!inAWell(judged, item)) return [];
    const into = footing(judged, item)?.into;
    const well = judged.hull.model.decks.find((d) => d.name === item.placed.frame.surface);
    if (!into || !well) return [];
    const ways = waysIn(item, well);
    return [
      {
        ...about(item),
        code: 'fits-its-place',
        fixable: true,
        measure: over(into.by, 'mm'),
        says: say`${nameOf(item)} stands ${mm(into.by, 'up')} into the rim of the ${well.name}.`,
        because: ways.length
          ? say`The ${well.name} is ${mm(well.aft - well.fore)} by ${mm(well.starboard - well.port)}: moved or turned it drops in.`
          : say`The ${well.name} is ${mm(well.aft - well.fore)} by ${mm(well.starboard - well.port)}: it drops in no way round. Cross bars on the tracks can carry it over the well.`,
        tries: ({ items }) => [...ways, ...ontoBars(item, items)],
      },
    ];
  }),
});

/** Onto the cross bars aboard, where there are some. */
function ontoBars(item: Fitted, items: readonly Fitted[]): Try[] {
  const bars = items.find((i) => i.placed.part.body.bridges && i.placed.id !== item.placed.id);
  if (!bars) return [];
  const to = { on: 'fitting', fitting: bars.placed.id, u: 0, v: 0, heading: 0 } as const;
  return [{ says: say`Onto ${bars.letter}, ${nameOf(bars)}`, changes: [slideTo(item, to)] }];
}

/** A base that lies across a step, or on too little. */
export const lies = check({
  about: 'set',
  finds: {
    'across-a-step': { called: 'Standing across a step of the deck', severity: ['look', 'stop'], since: 4 },
    'half-carried': { called: 'Base half carried', severity: 'stop', since: 4 },
  },
  judge: alone((item, judged): Raw[] => {
    const found = footing(judged, item);
    if (!found) return [];
    const { into, carried, over: across, overboard, loseHole } = found;
    const fixed = item.holes.length > 0;
    const least = fixed ? CARRIED.fixed : CARRIED.loose;
    const { surface } = item.placed.frame;
    if (into && !inAWell(judged, item))
      return [
        {
          ...about(item),
          code: 'across-a-step',
          // A loose thing a little into a step is set down beside it.
          severity: fixed || into.by > BESIDE ? 'stop' : 'look',
          fixable: true,
          measure: over(into.by, 'mm'),
          says: say`${nameOf(item)} lies across a step: the ${into.name} stands ${mm(into.by, 'up')} into it.`,
          because: say`Its middle is on the ${surface}, and part of its base would be inside the ${into.name}.`,
        },
      ];
    if (into || (carried >= least && !(fixed && loseHole))) return [];
    const hangs = overboard > 0 ? 'the water' : across.length ? `the ${across.join(' and the ')}` : 'nothing';
    return [
      {
        ...about(item),
        code: 'half-carried',
        fixable: true,
        measure: under(100 * carried, '%', 100 * least),
        says: say`${Math.floor(carried * 100)} % of the base of ${nameOf(item)} lies on the ${surface}; the rest hangs over ${hangs}.`,
        because: fixed
          ? say`What is bolted down lies on it with ${Math.round(least * 100)} % of its base, and with every hole.`
          : say`What is set down loose lies on it with ${Math.round(least * 100)} % of its base, or it tips.`,
      },
    ];
  }),
});

/** Turned the other way round, or across. */
function turnedRound(item: Fitted): Try[] {
  const { place } = item.placed;
  if (!('heading' in place)) return [];
  const turned = (by: number): number => ((place.heading + by + 540) % 360) - 180;
  return [180, 90, -90].map((by) => ({
    says: by === 180 ? say`Turn it round` : say`Turn it across`,
    changes: [slideTo(item, { ...place, heading: turned(by) })],
  }));
}

/** What is wider than its base, or stands on something, and reaches into a surface of the hull that lies higher. */
export const clearOfDeck = check({
  about: 'set',
  finds: {
    'into-the-deck': { called: 'Stands into the deck', severity: ['look', 'stop'], since: 10 },
  },
  judge: alone((item, judged): Raw[] => {
    const { placed } = item;
    // Where the base itself stands into it that is said already; the side has no deck beside it.
    if (placed.place.on === 'side' || placed.frame.off || isInside(placed) || footing(judged, item)?.into) return [];
    const into = reachesIntoDeck(judged.hull, placed);
    if (!into) return [];
    return [
      {
        ...about(item),
        code: 'into-the-deck',
        severity: item.holes.length > 0 || into.by > BESIDE ? 'stop' : 'look',
        fixable: true,
        measure: over(into.by, 'mm'),
        says: say`${nameOf(item)} reaches ${mm(into.by, 'up')} into the ${into.name}.`,
        because: say`The ${into.name} lies higher than what of it is there. Moved, turned or raised it is clear.`,
        tries: turnedRound(item),
      },
    ];
  }),
});

/** A base on deck that stands across a track of the hull: it does not lie flat, and nothing rides there any more. */
export const acrossTracks = check({
  about: 'set',
  finds: {
    'across-a-track': { called: 'Standing across a track', severity: ['look', 'stop'], since: 4 },
  },
  judge: alone((item, judged): Raw[] =>
    (footing(judged, item)?.tracks ?? []).map(({ name, by }): Raw => ({
      ...about(item),
      code: 'across-a-track',
      detail: name.replace(/\W+/g, '-'),
      severity: item.holes.length > 0 ? 'stop' : 'look',
      fixable: true,
      measure: over(by, 'mm'),
      says: say`${nameOf(item)} stands ${mm(by, 'up')} over the ${name}.`,
      because: say`Its base does not lie flat there. Beside the track, or in it with T-bolts.`,
    })),
  ),
});

/** What stands on a lid, or across its rim: the lid does not open before it comes off. */
export const onLids = check({
  about: 'set',
  finds: {
    'on-a-lid': { called: 'On a lid', severity: ['look', 'stop'], since: 4 },
    'across-a-lid': { called: 'Standing across the edge of a lid', severity: ['look', 'stop'], since: 4 },
  },
  judge: alone((item, judged): Raw[] => {
    const found = footing(judged, item);
    const fixed = item.holes.length > 0;
    return (found?.lids ?? []).flatMap(({ hatch, whole }): Raw[] => {
      // Screwed to the lid alone it goes up with it; its strut is judged on its own.
      if (fixed && whole && hatch.lid) return [];
      return [
        {
          ...about(item),
          code: whole ? 'on-a-lid' : 'across-a-lid',
          detail: hatch.id,
          severity: fixed ? 'stop' : 'look',
          fixable: true,
          says: whole
            ? say`${nameOf(item)} stands on the lid of the ${hatch.name}.`
            : say`${nameOf(item)} lies across the rim of the ${hatch.name}.`,
          because: fixed ? say`Held there, the lid does not open.` : say`It comes off before the lid opens.`,
        },
      ];
    });
  }),
});

/** What reaches over the edge of the hull: it catches on docks, other boats and hands. */
export const hangsOver = check({
  about: 'set',
  finds: {
    'hangs-over': { called: 'Reaches beyond the edge of the hull', severity: 'look', since: 4 },
  },
  judge: alone((item, { hull }): Raw[] => {
    const { placed } = item;
    const { part, place, frame } = placed;
    // What works in the water, or leans out over it, is meant to.
    if (
      place.on === 'side' ||
      place.on === 'bulkhead' ||
      frame.off ||
      part.sonar ||
      part.body.recess ||
      part.power?.draw?.of === 'motor' ||
      isWorn(item, hull)
    )
      return [];
    const by = reachesOverboard(hull, placed);
    if (by <= OVER_EDGE) return [];
    const side = sideOf(frame.origin.y);
    return [
      {
        ...about(item),
        code: 'hangs-over',
        fixable: true,
        measure: over(by, 'mm', OVER_EDGE),
        says: say`${nameOf(item)} reaches ${mm(by, 'up')} beyond the edge of the hull${side === 'centre' ? '' : ` on the ${side} side`}.`,
        because: say`It catches on docks, other boats and hands. ${mm(OVER_EDGE)} is let pass.`,
      },
    ];
  }),
});
