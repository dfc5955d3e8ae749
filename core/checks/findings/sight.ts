import type { Part } from '../../parts/parts';
import type { Fitted } from '../../holding/fitted';
import {
  type Arc,
  everybody,
  eyeOf,
  hiddenSectors,
  type Hidden,
  type Shadow,
  shadowOf,
  shadowOfRod,
  toHull,
  trunkOf,
  azimuthOf,
} from '../../layout';
import { ground, mm, say, type Point, type Sentence, over } from '../../base/units';
import { check } from './check';
import { about, type Judged, isWorn, joined, nameOf, type Raw, slideTo } from './finding';

/** Shadows of everything aboard from a point of one fitting, the paddler as asked. */
function shadows(judged: Judged, of: Fitted, from: Point, who: 'seated' | 'seated and standing' | 'ahead of it'): Shadow[] {
  const gear = judged.items.flatMap((item): Shadow[] => {
    if (item === of || isWorn(item, judged.hull) || joined(item.placed, of.placed)) return [];
    return judged.memory.pair('shadow', of, item, () => {
      const by = `${item.letter}, ${nameOf(item)}`;
      const { bodies, rods } = item.placed;
      return [...bodies.map((b) => shadowOf(from, b, by)), ...rods.map((r) => shadowOfRod(from, r, by))].filter(
        (s) => s !== undefined,
      );
    });
  });
  const bodies = judged.memory.of(`shadows of ${who}`, of, () =>
    (who === 'seated and standing'
      ? everybody(judged.hull, judged.plan.brief)
      : judged.paddlers.filter((p) => who === 'seated' || p.seatX < from.x)
    )
      .map(trunkOf)
      .flatMap((trunk) => shadowOf(from, trunk, trunk.name) ?? []),
  );
  return [...gear, ...bodies];
}

const degrees = (s: Hidden): number => Math.ceil((s.to - s.from) * 10) / 10;

/** Widest unbroken sector an all-round light may be hidden over (COLREGs Annex I), degrees. */
const HIDDEN = 6;
/** An all-round light stands so far over the sidelights on vessels under 12 m (COLREGs Annex I), mm. */
const OVER_SIDELIGHTS = 1000;
/** Sidelights show from right ahead to 22.5° abaft the beam (COLREGs Rule 21). */
const SIDELIGHT = 112.5;
const ARCS: Partial<Record<NonNullable<Part['light']>['shows'], Arc>> = {
  port: { from: -SIDELIGHT, to: 0 },
  starboard: { from: 0, to: SIDELIGHT },
  'both sides': { from: -SIDELIGHT, to: SIDELIGHT },
};
/** Cut-off at the ends of an arc may be so soft (COLREGs Annex I), degrees. */
const SOFT = 3;

const SECTORS: Sentence = ['Local rules decide which lights this boat shows.'];

/** An all-round light is not hidden over more than 6° by gear or by the paddler, seated or standing. */
export const allRoundLight = check({
  about: 'set',
  ofBody: true,
  finds: {
    'light-hidden': { called: 'All-round light hidden', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) =>
    judged.items.flatMap((item): Raw[] => {
      const { light } = item.placed.part;
      if (light?.shows !== 'all round') return [];
      const from = toHull(item.placed.frame, 0, 0, light.w + item.placed.fitting.lift);
      const [widest] = hiddenSectors(shadows(judged, item, from, 'seated and standing'));
      const raise = item.placed.fitting.lift;
      if (!widest || widest.to - widest.from <= HIDDEN) return [];
      const clear = Math.max(0, ...judged.paddlers.map((p) => eyeOf(p).z + 0.064 * p.stature)) - from.z;
      return [
        {
          ...about(item),
          code: 'light-hidden',
          fixable: true,
          measure: over(widest.to - widest.from, '°', HIDDEN),
          says: say`${nameOf(item)} is hidden over ${degrees(widest)}° by ${widest.by.join(' and ')}; ${HIDDEN}° allowed.`,
          because: [
            ...say`The widest unbroken sector counts. It stands ${mm(from.z - judged.hull.gunwale(from.x))} over the gunwale. `,
            ...SECTORS,
          ],
          tries:
            clear > 0
              ? [
                  {
                    says: say`Raise it ${mm(clear + 100, 'up')}`,
                    changes: [{ kind: 'liftItem', item: item.placed.id, from: raise, to: Math.ceil(raise + clear + 100) }],
                  },
                ]
              : [],
        },
      ];
    }),
});

/** Each sidelight shows over the whole of its own arc. */
export const sidelights = check({
  about: 'set',
  ofBody: true,
  finds: {
    'sidelight-hidden': { called: 'Sidelight hidden', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) =>
    judged.items.flatMap((item): Raw[] => {
      const { light } = item.placed.part;
      const arc = light && ARCS[light.shows];
      if (!light || !arc) return [];
      const from = toHull(item.placed.frame, 0, 0, light.w + item.placed.fitting.lift);
      const [widest] = hiddenSectors(shadows(judged, item, from, 'seated'), arc);
      if (!widest || widest.to - widest.from <= SOFT) return [];
      return [
        {
          ...about(item),
          code: 'sidelight-hidden',
          fixable: true,
          measure: over(widest.to - widest.from, '°', SOFT),
          says: say`${nameOf(item)} is hidden over ${degrees(widest)}° of its ${arc.to - arc.from}° by ${widest.by.join(' and ')}.`,
          because: [
            ...say`It shows from right ahead to 22.5° abaft the beam on ${light.shows === 'both sides' ? 'both sides' : `the ${light.shows} side`}. `,
            ...SECTORS,
          ],
        },
      ];
    }),
});

/** The all-round light stands a metre over the sidelights. */
export const lightHeights = check({
  about: 'set',
  finds: {
    'light-low': { called: 'Light too low', severity: 'look', since: 2 },
  },
  judge: ({ items }) => {
    const height = (item: Fitted): number =>
      toHull(item.placed.frame, 0, 0, (item.placed.part.light?.w ?? 0) + item.placed.fitting.lift).z;
    const side = items.filter((i) => i.placed.part.light !== undefined && ARCS[i.placed.part.light.shows] !== undefined);
    const highest = Math.max(...side.map(height));
    return items.flatMap((item): Raw[] => {
      if (item.placed.part.light?.shows !== 'all round' || side.length === 0) return [];
      const short = OVER_SIDELIGHTS - (height(item) - highest);
      if (short <= 0) return [];
      const { lift } = item.placed.fitting;
      return [
        {
          ...about(item),
          code: 'light-low',
          fixable: true,
          measure: over(short, 'mm'),
          says: say`${nameOf(item)} stands ${mm(short, 'up')} too low over the sidelights.`,
          because: [...say`On vessels under ${ground(12)} it stands ${mm(OVER_SIDELIGHTS)} over them. `, ...SECTORS],
          tries: [
            {
              says: say`Raise it ${mm(short, 'up')}`,
              changes: [{ kind: 'liftItem', item: item.placed.id, from: lift, to: Math.ceil(lift + short) }],
            },
          ],
        },
      ];
    });
  },
});

/** After sunset even an unpowered boat has a white light at hand. */
export const whiteLight = check({
  about: 'set',
  finds: {
    'no-white-light': { called: 'No all-round white light', severity: 'look', since: 2 },
  },
  judge: ({ items, owned, plan, hull, set }) => {
    if (!plan.brief.waters.includes('night')) return [];
    if (items.some((i) => i.placed.part.light?.shows === 'all round')) return [];
    const ashore = owned.find(
      ({ placed: { fitting, part } }) => fitting.sets && set && !fitting.sets.includes(set) && part.light?.shows === 'all round',
    )?.placed;
    return [
      {
        where: 'hull',
        letter: '',
        x: hull.length,
        step: 'lay out',
        fixable: Boolean(ashore),
        code: 'no-white-light',
        says: say`No white light aboard, and the brief says night.`,
        because: [
          ...say`Between sunset and sunrise an unpowered boat has one at hand (COLREGs Rule 25); a motor boat shows running lights. `,
          ...SECTORS,
        ],
        tries: ashore
          ? [
              {
                says: say`Bring the light into this set`,
                changes: [
                  {
                    kind: 'joinSets',
                    item: ashore.id,
                    from: ashore.fitting.sets ?? null,
                    to: [...(ashore.fitting.sets ?? []), set ?? ''],
                  },
                ],
              },
            ]
          : [],
      },
    ];
  },
});

/** So much of a lens's field may be hidden (judgement), share. */
const LENS = 0.1;

/** The lens looks past rods, gear and paddler. */
export const lensPath = check({
  about: 'set',
  ofBody: true,
  finds: {
    'lens-path': { called: 'In the view of the camera', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: (judged) =>
    judged.items.flatMap((item): Raw[] => {
      const { lens } = item.placed.part;
      if (!lens) return [];
      const { frame, fitting, place } = item.placed;
      const from = toHull(frame, 0, 0, lens.w + fitting.lift);
      // Heading 0 looks aft.
      const ahead = azimuthOf(from, from.x + frame.u.x, from.y + frame.u.y);
      const field = { from: ahead - lens.field / 2, to: ahead + lens.field / 2 };
      // A camera ahead of somebody is meant to see them.
      const [widest] = hiddenSectors(shadows(judged, item, from, 'ahead of it'), field);
      const allowed = LENS * lens.field;
      if (!widest || widest.to - widest.from <= allowed) return [];
      const turns = 'heading' in place ? [15, -15, 30, -30, 45, -45, 180] : [];
      return [
        {
          ...about(item),
          code: 'lens-path',
          fixable: true,
          measure: over(widest.to - widest.from, '°', allowed),
          says: say`${degrees(widest)}° of the ${Math.round(lens.field)}° ${nameOf(item)} sees are hidden by ${widest.by.join(' and ')}.`,
          because: say`Up to ${Math.round(allowed)}° in one piece is let pass.`,
          tries: turns.map((by) => ({
            says: say`Turn it ${Math.abs(by)}° ${by === 180 ? 'round' : by > 0 ? 'to port' : 'to starboard'}`,
            changes: 'heading' in place ? [slideTo(item, { ...place, heading: ((place.heading + by + 540) % 360) - 180 })] : [],
          })),
        },
      ];
    }),
});
