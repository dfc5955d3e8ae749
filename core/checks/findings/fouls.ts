import type { Fitted } from '../../holding/fitted';
import { bodyOverlap, boundsOf, middleOf, near, strokeHit, type Body } from '../../layout';
import { bodiesAlong, type LedLine, USES } from '../../lines';
import { entryOf, LINE_PATHS } from '../../rig';
import { betweenPieces, mm, say, over } from '../../base/units';
import { check } from './check';
import { type Judged, nameOf, type Raw, type Try } from './finding';
import { aboutLine, tryLine } from './lines';
import { detailOf, turnings, whose } from './turnings';
import { propellers } from './tethers';

/** So near a propeller takes a taut line, and one that leaves the boat and goes slack (judgement), mm. */
const TAKES = { taut: 200, slack: 700 } as const;
/** Feet and knees are so far off the centre line, and so far ahead of where the feet stand (judgement), mm. */
const LEGS = { out: 200, ahead: 60, over: 450 } as const;

const bodiesOf = (judged: Judged, l: LedLine): readonly Body[] =>
  judged.memory.of('line', l, () => bodiesAlong(l.path, l.line.diameter));

/** The other ways a line could go. */
const otherWays = (judged: Judged, l: LedLine): Try[] =>
  LINE_PATHS.filter((way) => way !== l.line.way).flatMap((way) => tryLine(judged, l.id, { way }, say`Lead it ${way}`));

/** In reach of a propeller. */
export const linePropeller = check({
  about: 'lines',
  finds: {
    'line-propeller': { called: 'Line reaches a propeller', severity: ['look', 'stop'], since: 11 },
  },
  judge: (judged) => {
    const screws = propellers(judged);
    return judged.lines.flatMap((l): Raw[] =>
      screws.flatMap(({ at, name, fitting }): Raw[] => {
        // What is lifted by it is led by it.
        if (fitting !== null && fitting === l.line.carries) return [];
        const taut = Math.min(
          ...l.path.slice(1).map((to, i) => betweenPieces({ from: l.path[i] ?? to, to }, { from: at, to: at })),
        );
        const leaves = l.rode > 0 ? l.path[0] : undefined;
        const slack = leaves ? Math.hypot(leaves.x - at.x, leaves.y - at.y) : Infinity;
        if (taut > TAKES.taut && slack > TAKES.slack) return [];
        const by = taut <= TAKES.taut ? TAKES.taut - taut : TAKES.slack - slack;
        return [
          {
            ...aboutLine(l, true),
            ...{ code: 'line-propeller', severity: taut <= TAKES.taut ? 'stop' : 'look', detail: name.replace(/\W+/g, '-') },
            measure: over(by, 'mm'),
            says:
              taut <= TAKES.taut
                ? say`The ${l.line.use} passes ${mm(by, 'up')} too near the propeller of ${name}.`
                : say`The ${l.line.use} leaves the boat ${mm(by, 'up')} too near the propeller of ${name}.`,
            because: say`A slack line goes into the blades: motor off and up while it is out.`,
            tries: otherWays(judged, l),
          },
        ];
      }),
    );
  },
});

/** Over a lid. */
export const lineOverHatch = check({
  about: 'lines',
  finds: {
    'line-over-hatch': { called: 'Line over a hatch', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l) =>
      judged.hull.model.hatches.flatMap((h): Raw[] => {
        const lid: Body = {
          name: h.name,
          outline: [
            [h.fore, h.port],
            [h.aft, h.port],
            [h.aft, h.starboard],
            [h.fore, h.starboard],
          ],
          bottom: h.height - 40,
          top: h.height + (h.lid?.thick ?? 0) + 400,
        };
        const over = bodiesOf(judged, l).filter((b) => bodyOverlap(lid, b) > 0);
        if (!over.length) return [];
        return [
          {
            ...aboutLine(l, true),
            ...{ x: (h.fore + h.aft) / 2, code: 'line-over-hatch', detail: h.id },
            says: say`The ${l.line.use} lies across the ${h.name}.`,
            because: say`It cannot be opened while the line is taut.`,
            tries: otherWays(judged, l),
          },
        ];
      }),
    ),
});

/** Between feet and seat: where a leg is caught when one goes over. */
export const lineAtFeet = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'line-at-feet': { called: 'Line at the feet', severity: 'look', since: 11 },
  },
  judge: (judged) => {
    const { seat, secondSeat, feet } = judged.hull.model;
    const fore = feet ? feet.fore - LEGS.ahead : seat.x - 1000;
    const aft = Math.max(seat.x, secondSeat?.x ?? 0);
    const legs: Body = {
      name: 'legs',
      outline: [
        [fore, -LEGS.out],
        [aft, -LEGS.out],
        [aft, LEGS.out],
        [fore, LEGS.out],
      ],
      bottom: 0,
      top: judged.hull.gunwale(seat.x) + LEGS.over,
    };
    return judged.lines.flatMap((l): Raw[] => {
      const hit = bodiesOf(judged, l).filter((b) => bodyOverlap(legs, b) > 0);
      const [first] = hit;
      if (!first) return [];
      return [
        {
          ...aboutLine(l, true),
          ...{ x: Math.max(fore, middleOf(first).x), code: 'line-at-feet' },
          says: say`The ${l.line.use} lies where the legs are.`,
          because: say`A leg caught in a line holds its owner under a boat that has turned over.`,
          tries: otherWays(judged, l),
        },
      ];
    });
  },
});

/** In the paddle stroke. */
export const lineInStroke = check({
  about: 'lines',
  ofBody: true,
  finds: {
    'line-in-stroke': { called: 'Line in the paddle stroke', severity: 'look', since: 11 },
  },
  judge: (judged) => {
    if (!judged.plan.brief.propulsion.includes('paddle') || judged.lines.length === 0) return [];
    return judged.lines.flatMap((l): Raw[] => {
      // On its way along the gunwale it is under the hands, not in them.
      const high = bodiesOf(judged, l).filter((b) => b.bottom > judged.hull.gunwale(middleOf(b).x) + l.line.diameter);
      const { nominal } = strokeHit(high, judged.strokes());
      if (!nominal) return [];
      return [
        {
          ...aboutLine(l, true),
          ...{ code: 'line-in-stroke' },
          measure: over(nominal.by, 'mm'),
          says: say`The ${l.line.use} stands ${mm(nominal.by, 'up')} into the paddle stroke.`,
          because: say`Shaft or hands catch it. Lead it lower, or outside.`,
          tries: otherWays(judged, l),
        },
      ];
    });
  },
});

const isLedBy = (l: LedLine, of: Fitted | null): boolean =>
  of !== null && (l.line.carries === of.placed.id || l.led.some((p) => p.fitting === of.placed.id));

/** In the way of what turns: a rudder, a drive, a motor's shaft, a lid of a box. */
export const lineInWay = check({
  about: 'lines',
  finds: {
    'line-in-way': { called: 'Line in the way of what moves', severity: 'look', since: 11 },
  },
  judge: (judged) => {
    if (judged.lines.length === 0) return [];
    const all = turnings(judged);
    return judged.lines.flatMap((l) =>
      all.flatMap((turning): Raw[] => {
        const { swept, of } = turning;
        const ownLid = of === null && judged.hull.model.hatches.some((h) => h.id === swept.id);
        if (ownLid || isLedBy(l, of) || steersIt(l, swept.id)) return [];
        const bodies = bodiesOf(judged, l);
        if (!near(swept.within, boundsOf(bodies))) return [];
        const most = judged.memory.pair('line', swept, l, () =>
          Math.max(
            0,
            ...bodies.flatMap((b) => (near(swept.bounds, boundsOf([b])) ? swept.poses.map((p) => bodyOverlap(p, b)) : [])),
          ),
        );
        if (most <= 0) return [];
        return [
          {
            ...aboutLine(l, true),
            ...{ code: 'line-in-way', detail: detailOf(turning) },
            measure: over(most, 'mm'),
            says: say`The ${l.line.use} lies ${mm(most, 'up')} in the way of ${whose(turning)}.`,
            because: say`What turns there catches it. ${USES[l.line.use].caution}`,
            tries: otherWays(judged, l),
          },
        ];
      }),
    );
  },
});

/** Drawn against what stands in its way. */
export const lineMeets = check({
  about: 'lines',
  finds: {
    'line-meets': { called: 'Line meets another', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    judged.lines.flatMap((l) => {
      const bodies = bodiesOf(judged, l);
      if (!bodies.length) return [];
      const all = boundsOf(bodies);
      return judged.items.flatMap((item): Raw[] => {
        const { placed } = item;
        // What lies under the deck, and what the line is led by, it does not meet.
        if (placed.place.on === 'space' || isLedBy(l, item) || l.led.some((p) => standsWith(judged, p.fitting, placed.id)))
          return [];
        if (!near(boundsOf(placed.bodies), all)) return [];
        const most = judged.memory.pair('meets', placed, l, () =>
          Math.max(0, ...bodies.flatMap((b) => placed.bodies.map((body) => bodyOverlap(body, b)))),
        );
        if (most <= 0) return [];
        return [
          {
            ...aboutLine(l, true),
            ...{ x: placed.frame.origin.x, code: 'line-meets', detail: placed.id },
            measure: over(most, 'mm'),
            says: say`The ${l.line.use} is drawn against ${item.letter}, ${nameOf(item)}.`,
            because: say`It rubs there, and does not run. Lead it by an eye, or another way.`,
            tries: otherWays(judged, l),
          },
        ];
      });
    }),
});

/** Whether a fitting stands on another, or the other way round. */
const standsWith = ({ plan }: Judged, one: string | null, other: string): boolean => {
  const on = (id: string | null): string | null => {
    const place = id === null ? undefined : entryOf(plan.fittings, id)?.place;
    return place?.on === 'fitting' ? place.fitting : null;
  };
  return one !== null && (on(one) === other || on(other) === one);
};

/** A rudder line goes to what it turns. */
const steersIt = ({ line }: LedLine, mover: string): boolean => line.use === 'rudder line' && mover.includes('rudder');
