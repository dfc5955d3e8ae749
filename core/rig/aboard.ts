import type { HullModel } from '../hull';
import type { Hold, Part } from '../parts';
import { entryOf } from './entry-of';
import type { Fact } from './fact';
import type { Ledger } from './ledger';
import type { Fitting, Place, Plan, Run, Waypoint } from './plan';
import { sameJson } from './same-json';

type Came = Pick<Fitting, 'aboard' | 'becomes' | 'place' | 'mount' | 'lift'>;

/** Whether a fitting came aboard and stands where it did, held as it was: nothing is drilled, bought or fastened for it. */
export const isThere = ({ aboard, place, mount, lift }: Came, at: Place = place): boolean =>
  aboard !== undefined && lift === 0 && mount.hold === aboard.hold && sameJson(at, aboard.place);

/** Whether the hull's maker fitted it: it is part of the hull's own mass, wherever it stands now. */
export const isMakers = ({ aboard }: Pick<Fitting, 'aboard'>): boolean => aboard?.from === 'maker';

/** Whether a fitting that came aboard leaves the boat, or left it before: it stands nowhere. */
export const hasGone = ({ becomes }: Pick<Fitting, 'becomes'>): boolean => becomes !== undefined && becomes.is !== 'left';

/** Whether it is taken off in this build, to be bagged and given back. */
export const takenOff = ({ becomes }: Pick<Fitting, 'becomes'>): boolean =>
  becomes?.is === 'replaced' || becomes?.is === 'removed';

/** The name of a hole that came with a thing aboard and that no fact tells of. */
export const cameHole = (fitting: string, nth: number): string => `came.${fitting}.${nth}`;

/** Whether a hole came with a thing aboard, and no fact tells of it. */
export const isCameHole = (name: string): boolean => name.startsWith('came.');

const standing = (part: string, place: Place, hold: Fitting['mount']['hold']) => ({
  part,
  place,
  lift: 0,
  mount: { hold, plate: false, reason: '' },
  suppliedBy: "owner's own" as const,
  note: '',
});

/** The name under which a thing of the hull's stock stands in a plan. */
export const stockKey = (id: string): string => `stock-${id}`;

/** What the maker fits, as fittings that came aboard. */
export const stockFittings = ({ stock = [] }: Pick<HullModel, 'stock'>): Plan['fittings'] =>
  Object.fromEntries(
    stock.map(({ id, part, place, hold }): [string, Fitting] => [
      stockKey(id),
      { ...standing(part, place, hold), aboard: { from: 'maker', place, hold } },
    ]),
  );

/** How a part that was found at a place is held there, as far as one sees from outside: its first way that suits the place. */
function holdFound({ holding: { ways } }: Pick<Part, 'holding'>, { on }: Place): Hold {
  const wanted: Partial<Record<Place['on'], readonly Hold[]>> = {
    track: ['track'],
    insert: ['insert'],
    scupper: ['scupper'],
    rail: ['clamp', 'cable tie'],
    plate: ['through', 'insert'],
    space: ['loose', 'strap', 'glue'],
    fitting: ['loose', 'clamp', 'track', 'cable tie', 'hook and loop', 'magnet'],
  };
  const suits = wanted[on] ?? ['rivet', 'screw', 'through', 'glue', 'loose'];
  return suits.find((hold) => ways.includes(hold)) ?? ways[0] ?? 'loose';
}

/** A thing found on the boat that nobody had listed. */
export function foundFitting(part: Pick<Part, 'id' | 'revision' | 'holding'>, place: Place): Fitting {
  const hold = holdFound(part, place);
  const { revision } = part;
  return {
    ...standing(part.id, place, hold),
    ...(revision === undefined ? {} : { revision }),
    aboard: { from: 'found', place, hold },
  };
}

/** A cable as it was pulled: which gauge, and how long each conductor of it is, mm. */
export interface Pulled {
  readonly id: string;
  /** Of one that feeds. */
  readonly awg?: number | null;
  readonly cut: number;
}

/**
 * What an earlier rig of the same hull left on it, as fittings that came aboard: what was fastened or fitted, or all of it
 * once that rig was signed for; and what it took off, whose holes are left. Sets and places in sets go with them, and the cables
 * that were pulled between what stays.
 *
 * @param ledger the fold of the hull's facts for that rig
 * @param newKey another name for a fitting: names of two rigs on one hull must not be taken for one another
 * @param pulled its cables as they were pulled
 */
export function fromEarlier(
  { fittings, sets, own, runs = {} }: Pick<Plan, 'fittings' | 'sets' | 'own'> & Partial<Pick<Plan, 'runs'>>,
  ledger: Ledger,
  newKey: (old: string) => string,
  pulled: readonly Pulled[] = [],
): Pick<Plan, 'fittings' | 'sets' | 'own' | 'runs'> {
  const done = (id: string): boolean =>
    ledger.signed !== null || ledger.steps.has(`fasten.${id}`) || ledger.steps.has(`fit.${id}`);
  const stays = Object.entries(fittings).filter(([id, f]) => f.aboard !== undefined || done(id));
  const names = new Map(stays.map(([id, f]) => [id, isMakers(f) ? id : newKey(id)]));
  const renamed = (place: Place): Place =>
    place.on === 'fitting' ? { ...place, fitting: names.get(place.fitting) ?? place.fitting } : place;
  /** A tie point of a fitting under its new name. */
  const retied = (key: string): string => {
    const [of = '', tie = ''] = key.split('.');
    return `${names.get(of) ?? of}.${tie}`;
  };
  const out: [string, Fitting][] = stays.flatMap(([id, f]): [string, Fitting][] => {
    const { uses: _, of: __, becomes, elsewhere, tether, straps, aboard, ...rest } = f;
    // Taken off then, or only its holes left before: nothing but holes now. What was moved stands where it was moved to.
    const off = takenOff(f) && (done(id) || ledger.signed !== null || ledger.steps.has(`strip.${id}`));
    const place = renamed(hasGone(f) && aboard ? aboard.place : f.place);
    const below = place.on === 'fitting' ? place.fitting : null;
    if (below !== null && ![...names.values()].includes(below)) return [];
    const was = { from: aboard?.from === 'maker' ? aboard.from : ('earlier rig' as const), place, hold: f.mount.hold };
    const holes = Object.fromEntries(
      ledger.holes.flatMap((h) => {
        const nth = h.id.startsWith(`${id}.`) ? h.id.slice(id.length + 1) : '';
        return h.plugged === null && /^\d{1,2}$/.test(nth) ? [[nth, h.fact] as const] : [];
      }),
    );
    const known = { ...aboard?.holes, ...f.uses, ...holes };
    return [
      [
        names.get(id) ?? id,
        {
          ...rest,
          place,
          aboard: { ...was, ...(Object.keys(known).length ? { holes: factsOnly(known) } : {}) },
          ...(off || becomes?.is === 'gone' ? { becomes: { is: 'gone' as const } } : becomes?.is === 'left' ? { becomes } : {}),
          ...(elsewhere ? { elsewhere: Object.fromEntries(Object.entries(elsewhere).map(([s, p]) => [s, renamed(p)])) } : {}),
          ...(straps ? { straps: straps.map((s) => ({ from: retied(s.from), to: retied(s.to) })) } : {}),
          ...(tether && (tether.to === null || names.has(tether.to))
            ? { tether: { ...tether, to: tether.to === null ? null : (names.get(tether.to) ?? null) } }
            : {}),
        },
      ],
    ];
  });
  const stand = new Map(out);
  const standsAs = (id: string): string | null => {
    const name = names.get(id);
    const f = name === undefined ? undefined : stand.get(name);
    return name !== undefined && f && !hasGone(f) ? name : null;
  };
  const left = Object.entries(runs).flatMap(([id, run]): [string, Run][] => {
    const [from, to] = [standsAs(run.from), standsAs(run.to)];
    const as = pulled.find((p) => p.id === id);
    const lies = run.aboard !== undefined || ledger.signed !== null || ledger.steps.has(`pull.${id}`);
    if (from === null || to === null || !lies || !as || as.awg === null) return [];
    const gauge = as.awg === undefined ? {} : { awg: as.awg };
    const via = run.via.flatMap((w): Waypoint[] => {
      if (w.at !== 'gland') return [w];
      const gland = standsAs(w.fitting);
      return gland === null ? [] : [{ at: 'gland', fitting: gland }];
    });
    const { proposed: _, ...kept } = run;
    return [[newKey(id), { ...kept, from, to, via, aboard: { ...gauge, cut: as.cut } }]];
  });
  return { fittings: Object.fromEntries(out), sets, own, runs: Object.fromEntries(left) };
}

const factsOnly = (holes: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(holes).filter(([, fact]) => !isCameHole(fact)));

/** How a thing was when the boat came in. */
export type Seen = Extract<Fact, { kind: 'thingSeen' }>;

/** A fitting without what belongs to the one thing on the one boat: that it came aboard, what becomes of it, its old holes and straps. */
export function withoutBoat<F extends Fitting>({
  aboard: _,
  becomes: __,
  uses: ___,
  straps: ____,
  ...fitting
}: F): Omit<F, 'aboard' | 'becomes' | 'uses' | 'straps'> {
  return fitting;
}

/** The features of the hull that the plan takes off. */
export const featuresGone = ({ features }: Pick<Plan, 'features'>): string[] =>
  Object.keys(features)
    .filter((key) => {
      const becomes = entryOf(features, key);
      return becomes !== undefined && becomes.is !== 'left';
    })
    .sort();
