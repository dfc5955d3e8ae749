import type { Network } from '../../electric/circuits';
import { over, say } from '../../base/units';
import { RINGS_ON_POST } from '../../electric/wiring';
import { check } from './check';
import type { Raw } from './finding';
import { aboutFitting } from './wires';

/** How many conductors end at a terminal. */
const ringsAt = ({ leads }: Network, terminal: string): number =>
  leads.filter((l) => l.from === terminal || l.to === terminal).length;

/** No more rings on the post of a battery than stay tight. */
export const posts = check({
  about: 'rig',
  finds: {
    'rings-on-post': { called: 'Too many rings on a post', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    judged.wiring.network.batteries.flatMap((b): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === b.fitting);
      const count = Math.max(ringsAt(judged.wiring.network, b.plus), ringsAt(judged.wiring.network, b.minus));
      if (!item || count <= RINGS_ON_POST) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'rings-on-post',
          measure: over(count, 'count', RINGS_ON_POST),
          says: say`${count} rings on one post of ${item.placed.part.name}; ${RINGS_ON_POST} are the most.`,
          because: say`Stacked higher they work loose and get warm (ABYC E-11, from memory). One main to a fuse block or a bus, and the rest from there.`,
        },
      ];
    }),
});
