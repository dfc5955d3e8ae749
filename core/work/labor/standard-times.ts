import type { ShopSettings } from '../../parts/shop';
import type { Fitted, PlannedHole } from '../../holding/fitted';
import type { Placed } from '../../layout';
import type { LedLine } from '../../lines';
import type { Mounted } from '../../holding/mounting';
import { isSignal, laneOf, type LaidRun, type SignalRun, type WiredRun } from '../../electric/wiring';

type Standard = ShopSettings['labor'];

/** Minutes of one piece of work, by the shop's standard times. */
export interface LaborItem {
  readonly of: string;
  readonly says: string;
  readonly minutes: number;
}

/** Shares of the set-up time, by step of the build; together one (judgement). */
export const SET_UP = { receive: 0.2, measure: 0.1, tape: 0.25, agree: 0.1, weigh: 0.1, hose: 0.1, photos: 0.15 } as const;

/** More time where nothing reaches behind. */
const awkwardness = (holes: readonly PlannedHole[], standard: Standard): number =>
  holes.some((h) => h.behind.blocked) ? standard.awkward : 1;

/** Old holes that are used again are there already; those opened up are drilled. */
export const drillMinutes = (holes: readonly PlannedHole[], standard: Standard): number =>
  awkwardness(holes, standard) * holes.filter((h) => !h.reused || h.openUp).length * standard.holeMinutes;

export const fastenMinutes = (mounted: Mounted, holes: readonly PlannedHole[], standard: Standard): number =>
  mounted.there ? 0 : standard.mount[mounted.hold] + (mounted.plate ? awkwardness(holes, standard) * standard.plateMinutes : 0);

/** Minutes to take off what came aboard: a share of those it is mounted in. */
export const takeOffMinutes = ({ fitting }: Pick<Placed, 'fitting'>, standard: Standard): number =>
  fitting.aboard ? standard.takeOff * standard.mount[fitting.aboard.hold] : 0;

/** Minutes to hold one fitting: its holes, its mount, its plate. */
export const mountMinutes = (mounted: Mounted, holes: readonly PlannedHole[], standard: Standard): number =>
  drillMinutes(holes, standard) + fastenMinutes(mounted, holes, standard);

export function pullMinutes(run: LaidRun, standard: Standard): number {
  // What is over is coiled, not pulled.
  return (Math.min(run.cut, run.wanted) / 1000) * standard.runMinutesPerMetre[laneOf(run.lane).where];
}

/** Every end that is crimped. */
export const terminateMinutes = ({ ends }: Pick<WiredRun, 'ends'>, standard: Standard): number =>
  ends.length * standard.terminationMinutes;

/** What lies in the boat as it lay is neither pulled nor ended; a signal cable comes with its plugs on and is tested by what it shows. */
function cableLine(run: WiredRun | SignalRun, standard: Standard): LaborItem[] {
  if (isSignal(run)) return run.there ? [] : [{ of: run.id, says: 'Pull, plug in', minutes: pullMinutes(run, standard) }];
  const lay = run.there ? 0 : pullMinutes(run, standard) + terminateMinutes(run, standard);
  return [{ of: run.id, says: run.there ? 'Test' : 'Pull, terminate, test', minutes: lay + standard.circuitTestMinutes }];
}

/** What came aboard and is held elsewhere or otherwise now: it comes off first. */
const isMoved = ({ placed, mounted }: Fitted): boolean => placed.fitting.aboard !== undefined && !mounted.there;

/** What comes off in this build: what leaves the boat, then what goes on again elsewhere or otherwise. */
export const comesOff = (items: readonly Fitted[], takenOff: readonly Placed[]): readonly Placed[] => [
  ...takenOff,
  ...items.filter(isMoved).map((i) => i.placed),
];

/** Whether a fitting is made at the bench for this rig. */
export const isMadeHere = ({ part, fitting }: Pick<Placed, 'part' | 'fitting'>): boolean =>
  (part.made?.minutes ?? 0) > 0 && fitting.suppliedBy === 'home-made' && !fitting.aboard;

/** All labor of the rig: set-up first, then what comes off, mounts bow to stern, then runs and lines. */
export function laborLines(
  items: readonly Fitted[],
  takenOff: readonly Placed[],
  { cables, lines }: { readonly cables: readonly (WiredRun | SignalRun)[]; readonly lines: readonly LedLine[] },
  standard: Standard,
): LaborItem[] {
  const stripped = comesOff(items, takenOff).map((placed) => ({
    of: placed.id,
    says: `Take off: ${placed.part.name}`,
    minutes: takeOffMinutes(placed, standard),
  }));
  const mounts = items
    .filter((i) => !i.mounted.there)
    .map(({ placed, mounted, holes }) => ({
      of: placed.id,
      says: placed.part.name,
      minutes: mountMinutes(mounted, holes, standard),
    }));
  const made = items.flatMap(({ placed: { id, part, fitting } }) =>
    isMadeHere({ part, fitting }) ? [{ of: id, says: `Make: ${part.name}`, minutes: part.made?.minutes ?? 0 }] : [],
  );
  const wires = cables.flatMap((run) => cableLine(run, standard));
  return [
    { of: 'rig', says: 'Inspect, measure, tape up, check, clean', minutes: standard.setUpMinutes },
    ...stripped,
    ...made,
    ...mounts,
    ...wires,
    ...lines.flatMap(({ id, line, old, there }) =>
      there ? [] : [{ of: id, says: `${old ? 'Lead' : 'Cut, lead'} and tie: ${line.use}`, minutes: standard.lineMinutes }],
    ),
  ];
}
