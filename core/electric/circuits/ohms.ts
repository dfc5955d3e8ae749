import { chargedTo, shortedOf, sourceOf } from './battery';
import { nominalVolts } from './gauge';
import { wayOhms } from './flows';
import type { Guard } from './guards';
import { minusOf, pathOf, type Edge, type Lead, type Network, type Potentials, type Way } from './network';
import { solveCircuit } from './solve';

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

/** What a bolted short circuit resists, ohms: as good as nothing. */
const BOLTED = 1e-6;

/** The conductor or way a protection stands in, and the batteries that feed it. */
function fedAt(
  { ways, leads, batteries }: Network,
  of: Potentials['of'],
  edge: string,
): { readonly at: Lead | Way | undefined; readonly island: string | undefined; readonly feeding: Network['batteries'] } {
  const at = ways.find((w) => w.id === edge) ?? leads.find((l) => l.id === edge);
  const island = at && of.get(at.from)?.island;
  return { at, island, feeding: batteries.filter((b) => of.get(b.plus)?.island === island) };
}

/** What stands first behind a protection, and where its current would go back to when it is shorted there. */
function faultAt(
  network: Network,
  { of }: Potentials,
  { edge, fitting }: Pick<Guard, 'edge' | 'fitting'>,
): { readonly from: string; readonly back: string; readonly feeding: Network['batteries']; readonly island: string } | null {
  const { at, island, feeding } = fedAt(network, of, edge);
  if (!at || island === undefined) return null;
  const lowest = Math.min(...feeding.map((b) => of.get(b.minus)?.volts ?? 0));
  const own = minusOf(fitting);
  const ends = feeding.filter((b) => of.get(b.minus)?.volts === lowest).map((b) => b.minus);
  // To the box’s own minus; else to the lowest minus, its own battery's where that is one.
  const back =
    network.ways.some((w) => w.id === edge) && of.get(own)?.island === island ? own : ends.includes(own) ? own : ends[0];
  return back === undefined ? null : { from: at.from, back, feeding, island };
}

/**
 * What a short circuit just behind a protection drives through it at the most, A: every battery that feeds it full and warm and
 * as little inside as such batteries have, through what lies between. Batteries in a row give what one gives, side by side they
 * add up but for their own cables.
 */
export function shortAt(
  network: Network,
  potentials: Potentials,
  guard: Pick<Guard, 'edge' | 'fitting'>,
  ohmsOf: (edge: Edge) => number,
): number {
  const fault = faultAt(network, potentials, guard);
  if (!fault) return 0;
  const { from, back, feeding, island } = fault;
  const [only] = feeding;
  if (only && feeding.length === 1) {
    const { volts, ohms } = shortedOf(only.of);
    const between = [...pathOf(potentials, only.plus, from), ...pathOf(potentials, back, only.minus)];
    return volts / between.reduce((sum, { edge: e }) => sum + (e.is === 'battery' ? 0 : ohmsOf(e)), ohms);
  }
  const { of } = potentials;
  const here = [...new Set([...network.at.values()].flat())].filter((e) => of.get(e.from)?.island === island);
  const fuse = 'fuse';
  const conductors = here
    .filter((e) => e.is !== 'battery')
    .map((e) => ({ id: e.id, from: e.id === guard.edge ? fuse : e.from, to: e.to, ohms: ohmsOf(e) }));
  const solved = solveCircuit({
    sources: feeding.map((b) => ({ id: b.fitting, plus: b.plus, minus: b.minus, ...shortedOf(b.of) })),
    conductors: [...conductors, { id: fuse, from, to: fuse, ohms: BOLTED }, { id: 'short', from: fuse, to: back, ohms: BOLTED }],
    loads: [],
  });
  return Math.abs(solved?.amps.get(fuse) ?? Infinity);
}

/** The most volts a protection has to open: of the highest row of batteries that feeds it, while they are charged. */
export function voltsAt(network: Network, { of }: Potentials, { edge }: Pick<Guard, 'edge'>): number {
  const { feeding } = fedAt(network, of, edge);
  const volts = (t: string): number => of.get(t)?.volts ?? 0;
  const span = Math.max(0, ...feeding.map((b) => volts(b.plus))) - Math.min(0, ...feeding.map((b) => volts(b.minus)));
  const worst = Math.max(0, ...feeding.map((b) => chargedTo(b.of) / nominalVolts(b.of.volts)));
  return span * worst;
}
