import { nominalVolts } from './gauge';
import { connectedBy, pathOf, type Draw, type Edge, type Network, type Poles, type Potentials, type Way } from './network';
import { NOTHING_ASKED, type Asked } from './protection';
import { solveCircuit, type Circuit, type CircuitLoad } from './solve';

/** What a load or a port draws through the network, and its share of the current of each edge, along the edge's direction. */
export interface Flow {
  readonly fitting: string;
  readonly asked: Asked;
  /** A port lets current in; it never flows with the loads. */
  readonly charging: boolean;
  readonly volts: number;
  readonly draw: Draw | null;
  readonly shares: ReadonlyMap<string, number>;
}

/** Volts that a contact loses at the most it carries (judgement, by makers' data sheets). */
const CONTACT = 0.05;
/** What a way resists by its contacts, ohms. */
export const wayOhms = ({ passes: { amps, wayAmps = amps } }: Way): number => CONTACT / wayAmps;

/**
 * How the current of each load that is fed goes through the network. Where there is one way only it goes by that, whatever the
 * wires resist; where there are several, by what they resist.
 */
export function flowsOf(network: Network, potentials: Potentials, ohmsOf: (edge: Edge) => number): Flow[] {
  const flow = (poles: Poles<unknown>, fields: Pick<Flow, 'asked' | 'charging' | 'draw'>): Flow[] => {
    const connected = connectedBy(potentials, poles);
    if (connected.is !== 'fed') return [];
    const meshed = potentials.meshed.has(potentials.of.get(poles.plus)?.island ?? '');
    const shares = meshed ? sharesByOhms(network, poles, ohmsOf) : sharesByPath(potentials, poles);
    return [{ fitting: poles.fitting, volts: connected.volts, shares, ...fields }];
  };
  return [
    ...network.loads.flatMap((l) =>
      flow(l, {
        asked: l.of.of === 'motor' ? { steady: 0, thrust: l.of.amps } : { steady: l.of.amps, thrust: 0 },
        ...{ charging: false, draw: l.of },
      }),
    ),
    ...network.ports.flatMap((p) => flow(p, { asked: { steady: p.of.amps, thrust: 0 }, charging: true, draw: null })),
  ];
}

const sharesByPath = (potentials: Potentials, { plus, minus }: Poles<unknown>): ReadonlyMap<string, number> =>
  new Map(pathOf(potentials, minus, plus).map(({ edge, along }) => [edge.id, along ? 1 : -1]));

/** An ampere drawn there, less what flows without it. */
function sharesByOhms(
  network: Network,
  { plus, minus }: Poles<unknown>,
  ohmsOf: (edge: Edge) => number,
): ReadonlyMap<string, number> {
  const amps = (loads: readonly CircuitLoad[]): ReadonlyMap<string, number> =>
    solveCircuit({ ...bare(network, ohmsOf), loads })?.amps ?? new Map<string, number>();
  const [idle, drawn] = [amps([]), amps([{ id: 'one', plus, minus, takes: { is: 'current', amps: 1 } }])];
  return new Map([...drawn].flatMap(([id, a]) => (id === 'one' ? [] : [[id, a - (idle.get(id) ?? 0)]])));
}

/** The network at nominal volts with nothing on. */
function bare(network: Network, ohmsOf: (edge: Edge) => number): Circuit {
  const edges = [...new Set([...network.at.values()].flat())];
  return {
    conductors: edges.filter((e) => e.is !== 'battery').map((e) => ({ id: e.id, from: e.from, to: e.to, ohms: ohmsOf(e) })),
    sources: network.batteries.map((b) => ({
      ...{ id: b.fitting, plus: b.plus, minus: b.minus, volts: nominalVolts(b.of.volts) },
      ohms: ohmsOf({ id: b.fitting, from: b.minus, to: b.plus, is: 'battery' }),
    })),
    loads: [],
  };
}

/** What a link between batteries side by side has to carry: when one is empty the other fills it with all it gives, A. */
function linkedAmps({ leads, batteries, posts }: Network): ReadonlyMap<string, number> {
  const gives = new Map(batteries.flatMap((b) => [b.plus, b.minus].map((t) => [t, b.of.mostAmps ?? 0] as const)));
  const linked = leads.filter((l) => l.out && posts.has(l.from) && posts.has(l.to));
  const cables = new Set(linked.map((l) => l.cable));
  return new Map(
    leads.filter((l) => cables.has(l.cable)).map((l) => [l.id, Math.max(gives.get(l.from) ?? 0, gives.get(l.to) ?? 0)]),
  );
}

/** What each edge carries with everything on, or while it charges, whichever is more; a link between batteries what one of them gives. */
export function askedOf(flows: readonly Flow[], network: Network): ReadonlyMap<string, Asked> {
  const sum = (of: readonly Flow[]): Map<string, Asked> => {
    const out = new Map<string, Asked>();
    for (const { asked, shares } of of)
      for (const [edge, share] of shares) {
        const { steady, thrust } = out.get(edge) ?? NOTHING_ASKED;
        out.set(edge, { steady: steady + share * asked.steady, thrust: thrust + share * asked.thrust });
      }
    return out;
  };
  const [loads, ports] = [sum(flows.filter((f) => !f.charging)), sum(flows.filter((f) => f.charging))];
  const links = linkedAmps(network);
  return new Map(
    [...new Set([...loads.keys(), ...ports.keys(), ...links.keys()])].map((edge) => {
      const [on, charging] = [loads.get(edge) ?? NOTHING_ASKED, ports.get(edge) ?? NOTHING_ASKED];
      const [steady, thrust] = [Math.max(Math.abs(on.steady), Math.abs(charging.steady)), Math.abs(on.thrust)];
      // What fills another does so until both are alike: as short as a motor's full thrust.
      return [edge, { steady, thrust: Math.max(thrust, (links.get(edge) ?? 0) - steady) }];
    }),
  );
}
