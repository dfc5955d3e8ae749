import {
  flowsOf,
  networkOf,
  potentialsOf,
  shortAt,
  voltsAt,
  type Cable,
  type Flow,
  type Network,
  type Node,
  type Opens,
  type Potentials,
} from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { Feeding } from '../../rig';
import { type Laid } from './run';

/** A laid cable that feeds. */
export type FeedingLaid = Laid & { readonly has: Feeding };

type Powered = readonly { readonly id: string; readonly part: Fitted['placed']['part'] }[];

/** What hangs on what, whatever the cables are long. */
export interface Joined {
  readonly parts: ReadonlyMap<string, Fitted['placed']['part']>;
  readonly network: Network;
  readonly potentials: Potentials;
  /** Where there is one way only to everything, how its current goes. */
  readonly flows: readonly Flow[] | null;
  /** What a protection there may have to open, whatever the cables are long. */
  readonly opens: (edge: string, fitting: string) => Opens;
}

/** A cable so short that it resists nothing to speak of, ohms. */
const NO_LENGTH = 1e-6;

export function joinUp(laid: readonly FeedingLaid[], powered: Powered): Joined {
  const nodes = powered.map(({ id, part: { power = {} } }): Node => ({ id, power }));
  const cables = laid.map(({ id, has, run: { from, to, way = 1 } }): Cable => ({ id, from, to, way, has }));
  const network = networkOf(nodes, cables);
  const potentials = potentialsOf(network);
  const known = new Map<string, Opens>();
  return {
    parts: new Map(powered.map(({ id, part }) => [id, part])),
    network,
    potentials,
    flows: potentials.meshed.size > 0 ? null : flowsOf(network, potentials, () => NaN),
    opens(edge, fitting) {
      const key = `${edge} ${fitting}`;
      const opens = known.get(key) ?? {
        short: shortAt(network, potentials, { edge, fitting }, () => NO_LENGTH),
        volts: voltsAt(network, potentials, { edge }),
      };
      known.set(key, opens);
      return opens;
    },
  };
}
