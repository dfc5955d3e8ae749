import type { Consumable } from '../../parts/catalog';
import type { ShopSettings } from '../../parts/shop';
import {
  areaOf,
  askedOf,
  wireId,
  chooseKind,
  flowsOf,
  GAUGES,
  guardsOf,
  KINDS,
  ohmsIn,
  ratedBy,
  shortAt,
  sizeCables,
  voltsAt,
  type Awg,
  type Edge,
  type Flow,
  type Guard,
  type Sized,
} from '../circuits';
import { type bundlesOf, type Laid } from './run';
import { type FittedGuard } from './wired-run';
import type { FeedingLaid, Joined } from './join-up';

/** Rounds after which cables by several ways keep the gauges they have: their currents hardly change any more. */
const ROUNDS = 4;

/** A circuit with its cables as thick as they must be. */
interface SizedUp {
  readonly flows: readonly Flow[];
  readonly guards: readonly Guard[];
  readonly sized: Sized;
  readonly ohmsOf: (edge: Edge) => number;
}

/** What the stores hold, and by what the shop sizes. */
export interface Sold {
  readonly consumables: readonly Consumable[];
  readonly shop: ShopSettings;
}

/** How many conductors lie together where each cable lies most crowded. */
type Bundles = ReturnType<typeof bundlesOf>;
export const SMALLEST_BUNDLE = 2;

/** Gauges, and what flows by them: where current has several ways it goes by what those resist, round after round. */
export function sizeUp(
  joined: Joined,
  laid: readonly FeedingLaid[],
  bundles: Bundles,
  { consumables, shop: { wiring } }: Sold,
): SizedUp {
  const { network, potentials } = joined;
  const comesAs = ({ given, run }: Laid): number | undefined =>
    given === 'with its part' ? joined.parts.get(run.to)?.power?.gauge : undefined;
  const lengths = laid.map((l) => ({
    ...{ cable: l.id, cut: l.cut, bundle: bundles.get(l.id) ?? SMALLEST_BUNDLE },
    // What comes with its part, or lies aboard, is as thick as it is.
    own: GAUGES.find((g) => g === (l.run.aboard?.awg ?? comesAs(l) ?? l.run.awg)) ?? null,
    hot: l.hot,
  }));
  const { series } = wiring;
  const prices = new Map(consumables.map((c) => [c.id, c.priceCents]));
  // Where the stores hold no such wire it costs as its copper does.
  const sizing = { ...wiring, price: (awg: Awg) => prices.get(wireId(awg, series)) ?? 40 * 1.26 ** (18 - awg) };
  const byCable = new Map(laid.map((l) => [l.id, l]));
  const ohmsBy = (sized: Sized | null): ((edge: Edge) => number) =>
    ohmsIn(network, (cable) => ({
      cut: byCable.get(cable)?.cut ?? 0,
      area: areaOf(sized?.cables.get(cable)?.awg ?? 10, series),
    }));
  const plans = new Map(laid.map((l) => [l.id, l.run]));
  const round = (before: Sized | null): Omit<SizedUp, 'ohmsOf'> => {
    const flows = joined.flows ?? flowsOf(network, potentials, ohmsBy(before));
    const guards = guardsOf(network, flows, askedOf(flows, network), plans, joined.opens);
    return { flows, guards, sized: sizeCables(network, flows, lengths, guards, sizing) };
  };
  let worked = round(null);
  for (let i = 0; i < ROUNDS && joined.flows === null; i++) worked = round(worked.sized);
  return { ...worked, ohmsOf: ohmsBy(worked.sized) };
}

/** Fuses and breakers as they are fitted: rated by the cables behind them, of a kind that opens what may flow there. */
export function fitGuards(
  { network, potentials }: Joined,
  laid: readonly FeedingLaid[],
  { guards, sized, ohmsOf }: SizedUp,
): FittedGuard[] {
  const behind = ({ cable, fitting, way }: Guard): string[] =>
    cable !== null ? [cable] : laid.filter((l) => l.run.from === fitting && (l.run.way ?? 1) === way).map((l) => l.id);
  return guards.map((g): FittedGuard => {
    const guard = ratedBy(g, Math.min(...behind(g).map((cable) => sized.cables.get(cable)?.ampacity ?? Infinity)));
    const short = shortAt(network, potentials, guard, ohmsOf);
    const volts = voltsAt(network, potentials, guard);
    const kind = guard.kind ?? chooseKind(guard.rating ?? 1, { short, volts }, guard.asked.thrust > 0);
    return { ...guard, kind, short, volts, breaks: KINDS[kind].breaks };
  });
}
