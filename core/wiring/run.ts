import type { ShopSettings } from '../shop';
import type { HullSurface } from '../hull';
import type { Placed } from '../layout';
import type { Run } from '../rig';
import type { Point, Source } from '../units';
import { feedColour, type WireColour } from './colours';
import { pathLength, routePath } from './route';
import {
  chooseFuse,
  chooseGauge,
  derated,
  dropAllows,
  dropVolts,
  GAUGES,
  nominalVolts,
  type Awg,
  type GaugeAsk,
  type GaugeChoice,
  type Protection,
} from './wire';

/** A two-wire feed worked out. */
export interface WiredRun {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly lane: Run['lane'];
  readonly path: readonly Point[];
  /** Along the path, mm. */
  readonly length: number;
  /** Cut length of each conductor, mm. */
  readonly cut: number;
  readonly amps: number;
  readonly volts: number;
  readonly kind: keyof ShopSettings['wiring']['dropPercent'];
  readonly choice: GaugeChoice;
  /** The gauge that will be fitted: the rigger's, else the chosen one. */
  readonly awg: Awg | null;
  readonly drop: number;
  readonly dropPercent: number;
  readonly allowedPercent: number;
  readonly tooThin: 'heat' | 'drop' | null;
  readonly fuse: Protection;
  /** Of the conductor that goes out; what comes back is black. */
  readonly colour: WireColour;
  readonly needsBattery: boolean;
  readonly voltsDiffer: boolean;
  readonly sources: readonly Source[];
}

/** Path plus a loop at each end plus slack, rounded up to what is cut. */
export const cutLength = (length: number, w: ShopSettings['wiring']): number =>
  Math.ceil((length * (1 + w.slackPercent / 100) + 2 * w.loop) / w.cutTo - 1e-9) * w.cutTo;

/** A run with both its ends aboard. */
export interface RunInput {
  readonly hull: HullSurface;
  readonly id: string;
  readonly run: Run;
  readonly source: Placed;
  readonly load: Placed;
  readonly shop: ShopSettings;
}

/** Works out one run: path, cut length, gauge, drop and fuse. Undefined when it has no load. */
export function wireRun({ hull, id, run, source, load, shop }: RunInput): WiredRun | undefined {
  const draw = load.part.power?.draw;
  if (!draw) return undefined;
  const w = shop.wiring;
  const path = routePath(hull, run, source.frame.origin, load.frame.origin);
  const length = pathLength(path);
  const cut = cutLength(length, w);
  const ask: GaugeAsk = {
    standard: w.standard,
    amps: draw.amps,
    volts: nominalVolts(draw.volts),
    motor: draw.of === 'motor',
    ownFuse: draw.fuse,
    roundTrip: 2 * cut,
    dropPercent: w.dropPercent[draw.of],
    conductorsInBundle: w.conductorsInBundle,
    leastAwg: draw.of === 'motor' ? w.leastAwg.motor : w.leastAwg.other,
  };
  const choice = chooseGauge(ask);
  const own = GAUGES.find((g) => g === run.awg) ?? null;
  const awg = own ?? choice.awg;
  const drop = awg ? dropVolts(w.standard, awg, draw.amps, 2 * cut) : 0;
  const carries = awg ? derated(awg, w.conductorsInBundle) : 0;
  return {
    id,
    from: run.from,
    to: run.to,
    lane: run.lane,
    path,
    length,
    cut,
    amps: draw.amps,
    volts: draw.volts,
    kind: draw.of,
    choice,
    awg,
    drop,
    dropPercent: (drop / nominalVolts(draw.volts)) * 100,
    allowedPercent: w.dropPercent[draw.of],
    tooThin: awg === null || carries < draw.amps ? 'heat' : dropAllows(ask, awg) ? null : 'drop',
    fuse: chooseFuse(draw.amps, carries, draw.of === 'motor', draw.fuse),
    colour: feedColour(load.part),
    needsBattery: source.part.power?.battery === undefined,
    voltsDiffer:
      source.part.power?.battery !== undefined && nominalVolts(source.part.power?.battery.volts) !== nominalVolts(draw.volts),
    sources: choice.sources,
  };
}
