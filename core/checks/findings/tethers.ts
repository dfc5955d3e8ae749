import type { Fitted } from '../../holding/fitted';
import { middleOf } from '../../layout';
import { distance, longApart, longMm, mm, say, type Point, over, under } from '../../base/units';
import { check } from './check';
import { about, type Judged, nameOf, type Raw } from './finding';

/** Where things spin: the lowest body of a motor, the foot of the hull's own drive. */
export function propellers({ items, hull }: Judged): { at: Point; name: string; fitting: string | null }[] {
  const motors = items.flatMap((i) => {
    if (i.placed.part.use.propels !== 'motor') return [];
    const [first, ...others] = i.placed.bodies;
    if (!first) return [];
    const low = others.reduce((a, b) => (b.bottom < a.bottom ? b : a), first);
    return [{ at: { ...middleOf(low), z: low.bottom }, name: `${i.letter}, ${nameOf(i)}`, fitting: i.placed.id }];
  });
  const drives = (hull.model.moving ?? [])
    .filter((m) => m.drives)
    .map((m) => ({
      at: { x: (m.from.x + m.to.x) / 2, y: (m.from.y + m.to.y) / 2, z: Math.min(m.from.z, m.to.z) },
      name: m.name,
      fitting: null,
    }));
  return [...motors, ...drives];
}

/** Where a tether is made fast: on the fitting that holds it, or on the hull beside it. */
function anchorOf(judged: Judged, item: Fitted): Point {
  const to = item.placed.fitting.tether?.to;
  return judged.items.find((i) => i.placed.id === to)?.placed.frame.origin ?? item.placed.frame.origin;
}

/** Long enough to use the thing where it is used. */
export const tetherShort = check({
  about: 'set',
  finds: {
    'tether-short': { called: 'Tether short', severity: 'look', since: 2 },
  },
  judge: (judged) =>
    judged.items.flatMap((item): Raw[] => {
      const { fitting, part, frame } = item.placed;
      const { tether } = fitting;
      if (!tether) return [];
      const wanted = distance(anchorOf(judged, item), frame.origin) + (part.use.usedAt ?? 0);
      if (tether.length >= wanted) return [];
      return [
        {
          ...about(item),
          code: 'tether-short',
          fixable: true,
          measure: under(tether.length, 'mm', wanted),
          says: say`The tether of ${nameOf(item)} is ${longApart(wanted, tether.length)} too short to use it.`,
          because: say`It is ${longMm(tether.length)} long; from its anchor to where it is used is ${longMm(wanted)}.`,
          tries: [
            {
              says: say`Make it ${longMm(Math.ceil(wanted / 50) * 50)}`,
              changes: [
                {
                  kind: 'tetherItem',
                  item: item.placed.id,
                  from: tether,
                  to: { ...tether, length: Math.ceil(wanted / 50) * 50 },
                },
              ],
            },
          ],
        },
      ];
    }),
});

/** A tether longer than this goes round a swimmer (judgement), mm. */
const WRAPS = 1500;

/** Long enough to go round somebody in the water. */
export const tetherWraps = check({
  about: 'set',
  finds: {
    'tether-wraps': { called: 'Tether long enough to wrap a swimmer', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    judged.items.flatMap((item): Raw[] => {
      const { tether } = item.placed.fitting;
      if (!tether || tether.length <= WRAPS) return [];
      const wanted = distance(anchorOf(judged, item), item.placed.frame.origin) + (item.placed.part.use.usedAt ?? 0);
      const to = Math.min(WRAPS, Math.max(50, Math.ceil(wanted / 50) * 50));
      return [
        {
          ...about(item),
          code: 'tether-wraps',
          fixable: true,
          measure: over(tether.length, 'mm', WRAPS),
          says: say`The tether of ${nameOf(item)} is ${longMm(tether.length)} long: it goes round a swimmer.`,
          because: say`Over ${longMm(WRAPS)} a line catches an arm or a neck in the water. Shorter, coiled, or with a link that breaks.`,
          tries: [
            {
              says: say`Make it ${longMm(to)}`,
              changes: [{ kind: 'tetherItem', item: item.placed.id, from: tether, to: { ...tether, length: to } }],
            },
          ],
        },
      ];
    }),
});

/** Too short to reach the propeller. */
export const tetherPropeller = check({
  about: 'set',
  finds: {
    'tether-propeller': { called: 'Tether reaches a propeller', severity: 'stop', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) => {
    const screws = propellers(judged);
    return judged.items.flatMap((item): Raw[] => {
      const { tether } = item.placed.fitting;
      if (!tether) return [];
      const at = anchorOf(judged, item);
      const near = screws.map((s) => ({ ...s, by: tether.length - distance(at, s.at) })).sort((a, b) => b.by - a.by)[0];
      if (!near || near.by <= 0) return [];
      const most = Math.floor((tether.length - near.by - 50) / 50) * 50;
      return [
        {
          ...about(item),
          code: 'tether-propeller',
          fixable: true,
          measure: over(near.by, 'mm'),
          says: say`The tether of ${nameOf(item)} reaches ${mm(near.by, 'up')} past the propeller of ${near.name}.`,
          because: say`It is ${longMm(tether.length)} long from its anchor. Overboard it goes into the blades.`,
          tries:
            most > 0
              ? [
                  {
                    says: say`Make it ${longMm(most)}`,
                    changes: [{ kind: 'tetherItem', item: item.placed.id, from: tether, to: { ...tether, length: most } }],
                  },
                ]
              : [],
        },
      ];
    });
  },
});
