import type { Fitted } from '../../holding/fitted';
import { bodyOverlap, boundsOf, movedPoint, near, type Body } from '../../layout';
import { bodiesAlong } from '../../lines';
import { entryOf } from '../../rig';
import { distance, mm, over, say, under } from '../../base/units';
import { cablesOf, type LaidRun } from '../../electric/wiring';
import { check } from './check';
import type { Judged, Raw } from './finding';
import { routeAround } from './routes';
import { detailOf, ridesOn, turnings, whose, type Turning } from './turnings';
import { aboutRun, nameIn } from './wires';

/** How thick a cable in its sleeve is, mm (judgement). */
const SLEEVE = 10;

/** What of a cable lies outside, on deck. */
const outside = (judged: Judged, run: LaidRun): readonly Body[] =>
  judged.memory.of('cable outside', run, () =>
    run.legs.filter((l) => !l.inside).flatMap(({ from, to }) => bodiesAlong([from, to], SLEEVE)),
  );

const endsOf = (judged: Judged, { from, to }: LaidRun): readonly Fitted[] =>
  judged.items.filter((i) => i.placed.id === from || i.placed.id === to);

/** How far an end of a cable goes with what it rides on, mm. */
const carriedBy = (judged: Judged, turning: Turning, end: Fitted): number => {
  const { origin } = end.placed.frame;
  return ridesOn(judged, turning, end) ? distance(origin, movedPoint(turning.swept.motion, origin, 1)) : 0;
};

/** A cable to what rides on a lid, a bar or a drive has a loop as long as that goes. */
export const cableLoops = check({
  about: 'rig',
  finds: {
    'cable-loop': { called: 'Cable short of what moves', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    cablesOf(judged.wiring).flatMap((run): Raw[] => {
      const own = entryOf(judged.plan.runs, run.id);
      const ends = endsOf(judged, run);
      // Both on one lid move together.
      const goes = turnings(judged)
        .map((turning) => ({ turning, far: ends.map((end) => carriedBy(judged, turning, end)) }))
        .map(({ turning, far }) => ({ turning, by: far.every((f) => f > 0) ? 0 : Math.max(0, ...far) }))
        .sort((a, b) => b.by - a.by)[0];
      const wanted = judged.shop.wiring.follows * (goes?.by ?? 0);
      const has = own?.loop ?? 0;
      if (!own || !goes || has >= wanted - 0.5) return [];
      const loop = Math.ceil(wanted / 10) * 10;
      return [
        {
          ...aboutRun(judged, run),
          code: 'cable-loop',
          fixable: true,
          measure: under(has, 'mm', wanted),
          says: say`The cable to ${nameIn(judged, run.to)} has no loop for ${whose(goes.turning)}: its end goes ${mm(goes.by, 'up')} with that.`,
          because: say`A cable drawn taut each time pulls out of its plug. A loop of ${mm(loop)}, tied at both its ends.`,
          tries: [
            {
              says: say`A loop of ${mm(loop)}`,
              changes: [{ kind: 'routeRun', run: run.id, from: own, to: { ...own, loop } }],
            },
          ],
        },
      ];
    }),
});

/** A cable over the deck that lies across a lid or in the way of a bar, a drive or a box's lid. */
export const cablesInWay = check({
  about: 'rig',
  finds: {
    'cable-in-way': { called: 'Cable in the way of what moves', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    cablesOf(judged.wiring).flatMap((run): Raw[] => {
      const bodies = outside(judged, run);
      if (bodies.length === 0) return [];
      const box = boundsOf(bodies);
      const ends = endsOf(judged, run);
      return turnings(judged).flatMap((turning): Raw[] => {
        const { swept, of } = turning;
        if (!near(swept.within, box) || ends.some((e) => e === of || ridesOn(judged, turning, e))) return [];
        const most = judged.memory.pair('cable in way', swept, run, () =>
          Math.max(0, ...bodies.flatMap((b) => swept.poses.map((pose) => bodyOverlap(pose, b)))),
        );
        if (most <= 0) return [];
        return [
          {
            ...aboutRun(judged, run),
            code: 'cable-in-way',
            detail: detailOf(turning),
            fixable: true,
            measure: over(most, 'mm'),
            says: say`The cable to ${nameIn(judged, run.to)} lies ${mm(most, 'up')} in the way of ${whose(turning)}.`,
            because: say`It is pinched, or holds that shut. Around it, inside, or through a gland before it.`,
            tries: () => routeAround(judged, run),
          },
        ];
      });
    }),
});
