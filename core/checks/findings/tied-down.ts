import type { Fitted } from '../../holding/fitted';
import { standsOn } from '../../layout';
import { loadOf } from '../../water/float';
import { roomIdOf } from '../../holding/inside';
import { canBe, STRAP_REACH } from '../../holding/mounting';
import type { DraftChange, Strap } from '../../rig';
import {
  heldBy,
  lash,
  stopsOf,
  strapsOf,
  tiePointsOf,
  type HeldAgainst,
  type Lashing,
  type Load,
  type TiePoint,
} from '../../holding/ties';
import { distance, kg, say, type Sentence, over } from '../../base/units';
import { check } from './check';
import { about, type Judged, nameOf, type Raw, type Try } from './finding';

/** What weighs less hurts nobody (judgement), kg. */
const LIGHT = 1;
/** What weighs so much hurts or breaks something (judgement), kg. */
const HEAVY = 5;

/** What stands on each thing aboard that bears others, itself or on what does. */
function ridersOf(items: readonly Fitted[]): ReadonlyMap<string, readonly Fitted[]> {
  const riders = new Map<string, Fitted[]>();
  for (const i of items)
    for (let under = i.placed.below; under; under = under.below) {
      const there = riders.get(under.id);
      if (there) there.push(i);
      else riders.set(under.id, [i]);
    }
  return riders;
}

/** What is found out of a thing in one set, the same while that and what it hangs on stay. */
const kept = <T>({ set, memory }: Judged, what: string, { placed }: Fitted, reads: readonly unknown[], make: () => T): T =>
  memory.last(`${what} ${placed.id} ${set ?? ''}`, reads, make);

/** What a thing weighs with all that is on it and in it. */
const ladenOf = (judged: Judged, item: Fitted, riders: readonly Fitted[]): Load =>
  kept(judged, 'load', item, [judged.plan.stowage, item.placed, ...riders], () => loadOf(judged.hull, item, riders, judged.plan));

/** The tie points aboard, the same list while what bears them stays. */
const tiesOf = ({ hull, items, ledger, set, memory }: Judged): readonly TiePoint[] => {
  const bearing = items.filter((i) => i.placed.part.ties);
  return memory.last(`ties ${set ?? ''}`, [ledger.seen, ...bearing.map((i) => i.placed)], () =>
    tiePointsOf(hull, bearing, ledger),
  );
};

const roomOf = ({ hull }: Judged, { placed }: Fitted): string | null => roomIdOf(hull, placed);

/** How a thing is held with some straps: how each lies, and each way it could go. */
function holdOf(
  judged: Judged,
  item: Fitted,
  load: Load,
  straps: readonly Strap[],
): { lies: (Lashing | string)[]; ways: HeldAgainst[] } {
  const { hull, shop } = judged;
  const lies = straps.map((s) => lash(item.placed, s, tiesOf(judged)));
  const taut = lies.filter((l): l is Lashing => typeof l === 'object');
  return {
    lies,
    ways: heldBy(
      { placed: item.placed, load, lashings: taut, stops: stopsOf(hull, item.placed) },
      shop.limits,
      shop.holding.shock,
    ),
  };
}

const NONE: readonly never[] = [];
const NOT_TIED = { lies: NONE, ways: NONE } as const;

/** Ways it goes, the worst first. */
const loose = (ways: readonly HeldAgainst[]): HeldAgainst[] => ways.filter((w) => w.bears < 1).sort((a, b) => a.bears - b.bears);

const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1) ?? ''}`;

/** Which loose things are to be tied: what stands on deck, and is not worn, trodden or sat on. */
const wantsTying = ({ placed, mounted }: Fitted): boolean =>
  (mounted.hold === 'strap' && !placed.below) ||
  (mounted.hold === 'loose' &&
    placed.place.on === 'deck' &&
    placed.part.body.place !== 'worn' &&
    placed.part.body.place !== 'underfoot');

/** Each loose or strapped thing of some weight is held against lift, and against sliding every way. */
export const tiedDown = check({
  about: 'set',
  finds: {
    'comes-loose': { called: 'Comes loose on the water', severity: ['note', 'look'], since: 10 },
  },
  judge: (judged) => {
    const ties = tiesOf(judged);
    const riders = ridersOf(judged.items);
    return judged.items.filter(wantsTying).flatMap((item): Raw[] => {
      const load = ladenOf(judged, item, riders.get(item.placed.id) ?? NONE);
      if (load.kg < LIGHT) return [];
      const { straps, lies, ways } = kept(judged, 'tied', item, [item.placed, item.mounted, load, ties], () => {
        const given = item.mounted.hold === 'strap' ? strapsOf(item.placed, roomOf(judged, item), ties) : [];
        return { straps: given, ...(given.length ? holdOf(judged, item, load, given) : NOT_TIED) };
      });
      const slack = lies.find((l) => typeof l === 'string');
      const goes = loose(ways);
      if (straps.length && !slack && goes.length === 0) return [];
      const [worst] = goes;
      return [
        {
          ...about(item),
          code: 'comes-loose',
          severity: load.kg >= HEAVY ? 'look' : 'note',
          fixable: true,
          measure: over(load.kg * (1 - (worst?.bears ?? 0)), 'kg'),
          says:
            straps.length === 0
              ? say`Nothing holds ${nameOf(item)}: ${kg(load.kg)} with what is in it and on it.`
              : worst
                ? say`${nameOf(item)} comes loose ${listed(goes.map((w) => w.way))}: its straps bear ${share(worst)} of what is asked ${worst.way}.`
                : say`A strap of ${nameOf(item)} holds nothing: ${slack ?? ''}.`,
          because: asked(judged, load, slack),
          tries: (now) => strapsTried(now, item),
        },
      ];
    });
  },
});

/** Rounded down: 0.996 is not 1. */
const share = ({ bears }: HeldAgainst): string => (Math.floor(bears * 100) / 100).toFixed(2);

function asked({ shop }: Judged, load: Load, slack: string | undefined): Sentence {
  const { pitch, heel } = shop.limits;
  const why = say`Asked of ${kg(load.kg)}: upside down, pitched ${pitch}° and heeled ${heel}°, ${shop.holding.shock} times its weight with shock. Straps pull, the floor only rubs.`;
  return slack ? [...why, ` One strap: ${slack}.`] : why;
}

/** So many sets of straps are offered. */
const MOST_OFFERED = 4;

/** Straps that hold a thing where it stands, fewest first: over it between ties either side, or from its own ties to the boat's. */
export function strapsThatHold(judged: Judged, item: Fitted): (readonly Strap[])[] {
  const ties = tiesOf(judged);
  const { placed } = item;
  const { id, frame, part } = placed;
  if (!canBe(part, 'strap')) return [];
  const room = roomOf(judged, item);
  const load = loadOf(judged.hull, item, judged.items, judged.plan);
  const bears = (t: TiePoint): boolean =>
    t.fitting !== id && !judged.items.some((i) => i.placed.id === t.fitting && standsOn(i.placed, placed));
  const near = ties.filter((t) => t.room === room && distance(t.at, frame.origin) <= 2 * STRAP_REACH && bears(t));
  const quarter = ({ at }: TiePoint): string => `${at.x >= frame.origin.x} ${at.y >= frame.origin.y}`;
  const hooked = ties
    .filter((t) => t.fitting === id)
    .flatMap((own): Strap[] => {
      const [to] = near
        .filter((n) => quarter(n) === quarter(own))
        .sort((a, b) => distance(a.at, own.at) - distance(b.at, own.at));
      return to ? [{ from: to.key, to: own.key }] : [];
    });
  const over = near.flatMap((a, i) =>
    near.slice(i + 1).flatMap((b): Strap[] => {
      const strap = { from: a.key, to: b.key };
      return typeof lash(placed, strap, ties) === 'object' ? [strap] : [];
    }),
  );
  const sets = [
    ...over.slice(0, 8).map((s) => [s]),
    ...over.slice(0, 6).flatMap((s, i) => over.slice(i + 1, 6).map((t) => [s, t])),
    ...(hooked.length > 1 ? [hooked] : []),
  ];
  const long = (straps: readonly Strap[]): number =>
    straps.reduce((sum, s) => {
      const lies = lash(placed, s, ties);
      return sum + (typeof lies === 'object' ? lies.length : Infinity);
    }, 0);
  return sets
    .filter((straps) => loose(holdOf(judged, item, load, straps).ways).length === 0)
    .sort((a, b) => a.length - b.length || long(a) - long(b))
    .slice(0, MOST_OFFERED);
}

/** The changes by which a thing is held by straps. */
export function strapChanges({ placed: { id, fitting } }: Fitted, straps: readonly Strap[]): DraftChange[] {
  const { mount } = fitting;
  return [
    ...(mount.hold === 'strap'
      ? []
      : [{ kind: 'chooseMount' as const, item: id, from: mount, to: { ...mount, hold: 'strap' as const, plate: false } }]),
    { kind: 'strapItem', item: id, from: fitting.straps ?? null, to: [...straps] },
  ];
}

function strapsTried(judged: Judged, item: Fitted): Try[] {
  const nameTie = (key: string): string => tiesOf(judged).find((t) => t.key === key)?.name ?? key;
  return strapsThatHold(judged, item).map((straps) => ({
    says: say`Strap it: ${listed(straps.map((s) => `${nameTie(s.from)} to ${nameTie(s.to)}`))}`,
    changes: strapChanges(item, straps),
  }));
}
