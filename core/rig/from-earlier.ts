import { hasGone, isCameHole, isMakers, takenOff } from './aboard';
import { linesKept, runWithout } from './left-led';
import { isSameCord, tiedFitting, type Line, type LinePoint } from './line';
import type { Ledger } from './ledger';
import type { Place, Plan } from './plan';
import type { Run, Waypoint } from './run';
import type { Fitting } from './fitting';

/** A cable as it was pulled: which gauge, and how long each conductor of it is, mm. */
interface Pulled {
  readonly id: string;
  /** Of one that feeds. */
  readonly awg?: number | null;
  readonly cut: number;
}

/** What was cut to length for an earlier rig. */
export interface CutFor {
  /** Its cables as they were pulled. */
  readonly cables?: readonly Pulled[];
  /** Its lines, and how long each is, mm. */
  readonly lines?: readonly Pick<Pulled, 'id' | 'cut'>[];
}

type Earlier = Pick<Plan, 'fittings' | 'sets' | 'own'> & Partial<Pick<Plan, 'runs' | 'lines' | 'opened'>>;
/** What of a plan is on the boat. */
export type Left = Pick<Plan, 'fittings' | 'sets' | 'own' | 'runs' | 'lines'>;

/** The earlier rig's things: how they are called in the next, and what was done of them. */
interface Names {
  /** What came with the boat, whether it stands there or only its holes are left. */
  readonly of: ReadonlyMap<string, string>;
  /** Another name for one of its own. */
  readonly anew: (old: string) => string;
  readonly done: (step: string) => boolean;
}

/**
 * What an earlier rig of the same hull left on it, as fittings that came aboard: what was fastened or fitted, or all of it
 * once that rig was signed for; and what it took off, whose holes are left. Sets and places in sets go with them, and the cables
 * that were pulled and the lines that were led between what stays.
 *
 * @param ledger the fold of the hull's facts for that rig
 * @param newKey another name for a fitting, a cable or a line: names of two rigs on one hull must not be taken for one another
 */
export function fromEarlier(plan: Earlier, ledger: Ledger, newKey: (old: string) => string, cut: CutFor = {}): Left {
  const done = (step: string): boolean => ledger.signed !== null || ledger.steps.has(step);
  const isSet = (id: string): boolean => done(`fasten.${id}`) || done(`fit.${id}`);
  const stays = Object.entries(plan.fittings).filter(([id, f]) => f.aboard !== undefined || isSet(id));
  const names: Names = {
    of: new Map(stays.map(([id, f]) => [id, isMakers(f) ? id : newKey(id)])),
    anew: newKey,
    done,
  };
  const fittings = Object.fromEntries(
    stays.flatMap(([id, f]) => {
      const left = fittingLeft(id, f, names, ledger);
      return left ? [[names.of.get(id) ?? id, left] as const] : [];
    }),
  );
  const standsAs = (id: string): string | null => {
    const name = names.of.get(id);
    const f = name === undefined ? undefined : fittings[name];
    return name !== undefined && f && !hasGone(f) ? name : null;
  };
  return {
    fittings,
    sets: plan.sets,
    own: plan.own,
    runs: runsLeft(plan.runs ?? {}, names, standsAs, cut.cables ?? []),
    lines: linesLeft(plan, names, standsAs, cut.lines ?? []),
  };
}

/** A fitting as it stands on the boat; null where what it stands on is gone. */
function fittingLeft(id: string, f: Fitting, names: Names, ledger: Ledger): Fitting | null {
  const renamed = (place: Place): Place =>
    place.on === 'fitting' ? { ...place, fitting: names.of.get(place.fitting) ?? place.fitting } : place;
  const { uses: _, of: __, becomes, elsewhere, tether, straps, aboard, ...rest } = f;
  // Taken off then, or only its holes left before: nothing but holes now. What was moved stands where it was moved to.
  const off = takenOff(f) && ['fasten', 'fit', 'strip'].some((work) => names.done(`${work}.${id}`));
  const place = renamed(hasGone(f) && aboard ? aboard.place : f.place);
  const below = place.on === 'fitting' ? place.fitting : null;
  if (below !== null && ![...names.of.values()].includes(below)) return null;
  const holes = Object.fromEntries(
    ledger.holes.flatMap((h) => {
      const nth = h.id.startsWith(`${id}.`) ? h.id.slice(id.length + 1) : '';
      return h.plugged === null && /^\d{1,2}$/.test(nth) ? [[nth, h.fact] as const] : [];
    }),
  );
  const known = { ...aboard?.holes, ...f.uses, ...holes };
  const tied = tether && (tether.to === null || names.of.has(tether.to)) ? tether : null;
  return {
    ...rest,
    place,
    aboard: {
      ...{ from: aboard?.from === 'maker' ? aboard.from : ('earlier rig' as const), place, hold: f.mount.hold },
      ...(Object.keys(known).length ? { holes: factsOnly(known) } : {}),
      ...(tied ? { tether: tied.length } : {}),
    },
    ...(off || becomes?.is === 'gone' ? { becomes: { is: 'gone' as const } } : becomes?.is === 'left' ? { becomes } : {}),
    ...(elsewhere ? { elsewhere: Object.fromEntries(Object.entries(elsewhere).map(([s, p]) => [s, renamed(p)])) } : {}),
    ...(straps ? { straps: straps.map((s) => ({ from: retied(s.from, names), to: retied(s.to, names) })) } : {}),
    ...(tied ? { tether: { ...tied, to: tied.to === null ? null : (names.of.get(tied.to) ?? null) } } : {}),
  };
}

/** A tie point of a fitting under its new name. */
function retied(key: string, names: Names): string {
  const [of = '', tie = ''] = key.split('.');
  return `${names.of.get(of) ?? of}.${tie}`;
}

function runsLeft(
  runs: Plan['runs'],
  names: Names,
  standsAs: (id: string) => string | null,
  pulled: readonly Pulled[],
): Plan['runs'] {
  const left = Object.entries(runs).flatMap(([id, run]): [string, Run][] => {
    const as = pulled.find((p) => p.id === id);
    const lies = run.aboard !== undefined || names.done(`pull.${id}`);
    const stays = runWithout(run, (fitting) => standsAs(fitting) === null);
    if (!stays || !lies || !as || as.awg === null) return [];
    const gauge = as.awg === undefined ? {} : { awg: as.awg };
    const named = (fitting: string): string => names.of.get(fitting) ?? fitting;
    const via = stays.via.map((w): Waypoint => (w.at === 'gland' ? { at: 'gland', fitting: named(w.fitting) } : w));
    const { proposed: _, ...kept } = stays;
    const laying = { from: named(stays.from), to: named(stays.to), lane: stays.lane, via };
    return [[names.anew(id), { ...kept, ...laying, aboard: { ...laying, ...gauge, cut: as.cut } }]];
  });
  return Object.fromEntries(left);
}

function linesLeft(
  { lines = {}, opened = '' }: Pick<Earlier, 'lines' | 'opened'>,
  names: Names,
  standsAs: (id: string) => string | null,
  lengths: readonly Pick<Pulled, 'id' | 'cut'>[],
): Plan['lines'] {
  const cutTo = new Map(lengths.map((l) => [l.id, l.cut]));
  const led = Object.entries(lines).filter(([id, l]) => cutTo.has(id) && (l.aboard !== undefined || names.done(`lead.${id}`)));
  const kept = linesKept(Object.fromEntries(led), (fitting) => standsAs(fitting) === null);
  return Object.fromEntries(
    Object.entries(kept).map(([id, { proposed: _, carries, aboard, ...line }]): [string, Line] => {
      const through = line.through.map((p): LinePoint =>
        p.at === 'ring'
          ? { at: 'ring', line: names.anew(p.line) }
          : { at: 'tie', tie: tiedFitting(p.tie) === null ? p.tie : retied(p.tie, names) },
      );
      const { of, diameter, way } = line;
      // The same piece as before, or one that was cut new then.
      const since = aboard && isSameCord(line, aboard) ? aboard.since : opened;
      return [
        names.anew(id),
        {
          ...line,
          through,
          ...(carries === undefined ? {} : { carries: standsAs(carries) ?? carries }),
          aboard: { of, diameter, way, through, since, cut: cutTo.get(id) ?? 0 },
        },
      ];
    }),
  );
}

const factsOnly = (holes: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(holes).filter(([, fact]) => !isCameHole(fact)));
