import { sourceOf } from './battery';
import { wayOhms } from './flows';
import type { Guard } from './guards';
import { minusOf, pathOf, type Edge, type Network, type Potentials } from './network';

/** Copper at 20 °C (any handbook), Ω·mm²/m. */
const COPPER = 0.01724;

/** What a conductor resists, ohms; its cut length in mm, its area in mm². */
export const wireOhms = (cut: number, area: number): number => (COPPER * cut) / 1000 / area;

/** What each edge of a network resists, with its batteries full and warm. */
export function ohmsIn(
  network: Network,
  cableOf: (cable: string) => { readonly cut: number; readonly area: number },
): (edge: Edge) => number {
  const ohms = new Map<string, number>();
  for (const { id, cable } of network.leads) {
    const { cut, area } = cableOf(cable);
    // A wire of no length still has its ends.
    ohms.set(id, wireOhms(Math.max(1, cut), area));
  }
  for (const way of network.ways) ohms.set(way.id, wayOhms(way));
  for (const { fitting, of } of network.batteries) ohms.set(fitting, sourceOf(of, { full: true, cold: false }).ohms);
  return (edge) => ohms.get(edge.id) ?? NaN;
}

/**
 * What a short circuit just behind a protection reaches at the most, A: the batteries that feed it full and warm. Of one battery
 * by what lies between; of several as if each stood right before it, which is never too little.
 */
export function shortAt(
  network: Network,
  potentials: Potentials,
  { edge, fitting }: Pick<Guard, 'edge' | 'fitting'>,
  ohmsOf: (edge: Edge) => number,
): number {
  const way = network.ways.find((w) => w.id === edge);
  const lead = network.leads.find((l) => l.id === edge);
  const { of } = potentials;
  const island = of.get(way?.from ?? lead?.from ?? '')?.island;
  const feeding = network.batteries.filter((b) => of.get(b.plus)?.island === island);
  const alone = feeding.map((b) => ({ b, ...sourceOf(b.of, { full: true, cold: false }) }));
  const [only] = alone;
  if (!way || !only || alone.length > 1) return alone.reduce((sum, { volts, ohms }) => sum + volts / ohms, 0);
  const between = pathOf(potentials, minusOf(fitting), way.from).reduce(
    (sum, { edge: e }) => sum + (e.is === 'battery' ? 0 : ohmsOf(e)),
    0,
  );
  return only.volts / (only.ohms + between);
}
