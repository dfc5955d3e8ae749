import type { Awg, WireColour } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import { printLong, type UnitSystem } from '../../base/units';
import { conductorsOf, type End, type EndAt } from './ends';
import type { LaidRun } from './run';
import { wiresOf, type SignalRun } from './signals';
import type { Wiring } from './wire-up';
import type { WiredRun } from './wired-run';

/** Which letter stands for a fitting. */
export type LetterOf = (fitting: string) => string;

export const lettersOf = (owned: readonly Fitted[]): LetterOf => {
  const letters = new Map(owned.map((i) => [i.placed.id, i.letter]));
  return (fitting) => letters.get(fitting) ?? '?';
};

/** A cable with what is written on both its ends. */
export interface Labelled<R extends LaidRun = WiredRun> {
  readonly run: R;
  /** From where, by which way, to where, in the letters of the boat view. */
  readonly label: string;
}

/** Cables labelled; the way is part of it where its box has several. */
export function labelled<R extends WiredRun | SignalRun>(runs: readonly R[], owned: readonly Fitted[]): Labelled<R>[] {
  const letterOf = lettersOf(owned);
  const boxes = new Set(owned.flatMap((i) => ((i.placed.part.power?.passes?.ways ?? 1) > 1 ? [i.placed.id] : [])));
  return runs.map((run) => {
    const way = 'way' in run && boxes.has(run.from) ? run.way : null;
    return { run, label: `${letterOf(run.from)}${way === null ? '' : `.${way}`}–${letterOf(run.to)}` };
  });
}

/** Pieces of one gauge and colour, as they come off one reel. */
export interface CutGroup {
  readonly awg: Awg;
  /** What it is called in the series the shop buys. */
  readonly gauge: string;
  readonly colour: WireColour;
  /** Longest first, so that a short offcut still serves. */
  readonly pieces: readonly { readonly label: string; readonly cut: number }[];
  readonly total: number;
}

/** What is cut, by gauge and colour: the thickest first. */
export function cutList(cables: readonly Labelled[]): CutGroup[] {
  const groups = new Map<string, { awg: Awg; gauge: string; colour: WireColour; pieces: { label: string; cut: number }[] }>();
  for (const { run, label } of cables) {
    const { awg, cut } = run;
    // What is there already is not cut.
    if (awg === null || run.given) continue;
    for (const { colour } of conductorsOf(run)) {
      const key = `${awg} ${colour}`;
      const group = groups.get(key) ?? { awg, gauge: run.gauge, colour, pieces: [] };
      group.pieces.push({ label, cut });
      groups.set(key, group);
    }
  }
  return [...groups.values()]
    .map((g) => ({
      ...g,
      pieces: g.pieces.sort((a, b) => b.cut - a.cut),
      total: g.pieces.reduce((sum, p) => sum + p.cut, 0),
    }))
    .sort((a, b) => a.awg - b.awg || a.colour.localeCompare(b.colour));
}

/** Cables in pulling order, but for those that lie in the boat as they lay: lane by lane, in each the thickest first, for it bends least, then the longest (common practice, no source). */
export const pullList = <R extends WiredRun | SignalRun>(cables: readonly Labelled<R>[]): readonly Labelled<R>[] =>
  cables
    .filter((c) => !c.run.there)
    .sort(({ run: a }, { run: b }) => a.lane.localeCompare(b.lane) || thickOf(b) - thickOf(a) || b.length - a.length);

const thickOf = (run: WiredRun | SignalRun): number => Math.max(...wiresOf(run));

/** What is wrapped round both ends of a cable. */
export interface WireLabel {
  /** From where to where, in letters. */
  readonly mark: string;
  /** Two lines under it: what the cable is, and what its way is called or which colours it has. */
  readonly says: readonly [string, string];
  readonly colours: readonly WireColour[];
  /** The letters at its two ends: each end's own stands on its label. */
  readonly ends: readonly [string, string];
}

/** The label of every cable. */
export function wireLabels(wiring: Pick<Wiring, 'runs' | 'signals'>, owned: readonly Fitted[], units: UnitSystem): WireLabel[] {
  const first = (...of: readonly (string | null)[]): string => of.filter((word) => word !== null).join(' · ');
  const letterOf = lettersOf(owned);
  const endsAt = ({ from, to }: { readonly from: string; readonly to: string }): [string, string] => [
    letterOf(from),
    letterOf(to),
  ];
  return [
    ...labelled(wiring.runs, owned).map(({ run, label }): WireLabel => {
      const colours = conductorsOf(run).map((c) => c.colour);
      const fuse = run.guard?.rating ? `${run.guard.rating} A` : null;
      return {
        ...{ mark: label, colours, ends: endsAt(run) },
        says: [first(run.gauge, printLong(run.cut, units), fuse), run.name ?? colours.join(', ')],
      };
    }),
    ...labelled(wiring.signals, owned).map(({ run, label }): WireLabel => ({
      ...{ mark: label, colours: [], ends: endsAt(run) },
      says: [first('signal', printLong(run.cut, units)), run.family ?? 'plugs do not match'],
    })),
  ];
}

/** An end on the list of a cable. */
export interface ListedEnd {
  readonly label: string;
  readonly gauge: string;
  readonly end: End;
  /** Where it goes, in the letters of the boat view: A +, B way 3, A breaker in. */
  readonly at: string;
}

/** Every end that is crimped, cable by cable. */
export function endList(cables: readonly Labelled[], owned: readonly Fitted[]): ListedEnd[] {
  const letterOf = lettersOf(owned);
  const words = (at: EndAt): string => {
    const letter = letterOf(at.fitting);
    if (at.is === 'guard') return `${letter} ${at.kind} ${at.side}`;
    return at.is === 'way' ? `${letter} way ${at.way}` : `${letter} ${at.pole}`;
  };
  return cables.flatMap(({ run, label }) => run.ends.map((end) => ({ label, gauge: run.gauge, end, at: words(end.at) })));
}

/** A plug that goes in: a load's or a port's own, or one end of a signal cable. */
export interface Plugged {
  readonly label: string;
  readonly plug: string;
  /** The letter it is at. */
  readonly at: string;
  readonly into: string;
}

/** Every plug, cable by cable: with its family and rating, so that none is put where it does not belong. */
export function pluggedOf({ runs, signals }: Pick<Wiring, 'runs' | 'signals'>, owned: readonly Fitted[]): Plugged[] {
  const letterOf = lettersOf(owned);
  const partOf = new Map(owned.map((i) => [i.placed.id, i.placed.part]));
  return [
    ...labelled(runs, owned).flatMap(({ run, label }): Plugged[] => {
      const part = partOf.get(run.to);
      const plug = part?.power?.plug;
      return plug ? [{ label, plug: `${plug.family}, ${plug.amps} A`, at: letterOf(run.to), into: part.name }] : [];
    }),
    ...labelled(signals, owned).flatMap(({ run, label }): Plugged[] =>
      [run.from, run.to].map((end) => ({
        ...{ label, plug: run.family ?? 'none that fits both', at: letterOf(end), into: partOf.get(end)?.name ?? end },
      })),
    ),
  ];
}

/** What a way of a box is called, what hangs on it, and its fuse. */
export interface Channel {
  readonly way: number;
  readonly name: string;
  readonly loads: readonly string[];
  readonly rating: number | null;
}

/** The legend of each box that has several ways. */
export function channelsOf(
  { runs, guards }: Pick<Wiring, 'runs' | 'guards'>,
  owned: readonly Fitted[],
): { readonly box: Fitted; readonly channels: readonly Channel[] }[] {
  const nameOf = (fitting: string): string => owned.find((i) => i.placed.id === fitting)?.placed.part.name ?? fitting;
  return owned.flatMap((box) => {
    const { ways = 1 } = box.placed.part.power?.passes ?? {};
    if (ways < 2) return [];
    const channels = Array.from({ length: ways }, (_, i): Channel => {
      const on = runs.filter((r) => r.from === box.placed.id && r.way === i + 1);
      return {
        way: i + 1,
        name: on.find((r) => r.name !== null)?.name ?? (on.length ? 'no name yet' : 'free'),
        loads: on.map((r) => nameOf(r.to)),
        rating: guards.find((g) => g.fitting === box.placed.id && g.way === i + 1)?.rating ?? null,
      };
    });
    return [{ box, channels }];
  });
}
