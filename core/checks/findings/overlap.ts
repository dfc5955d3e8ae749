import { entryOf } from '../../rig';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { bodyOf, bodyOverlap, near, type Body, type Placed } from '../../layout';
import type { Plan } from '../../rig';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { about, boxIn, isWorn, joined, nameOf, type Raw } from './finding';

const deepest = (a: Placed, b: Placed): number =>
  Math.max(0, ...a.bodies.flatMap((one) => b.bodies.map((other) => bodyOverlap(one, other))));

/** A mat lies under what stands on it. */
const apart = (item: Fitted, hull: HullSurface): boolean => isWorn(item, hull) || item.placed.part.body.place === 'underfoot';

function inOnePlace(a: Fitted, b: Fitted): Raw | null {
  const by = deepest(a.placed, b.placed);
  if (by < 0.5) return null;
  return {
    ...about(b),
    code: 'overlap',
    detail: a.placed.id,
    fixable: true,
    measure: over(by, 'mm'),
    says: say`${nameOf(b)} stands in the place of ${a.letter}, ${nameOf(a)}, by ${mm(by, 'up')}.`,
    because: say`Sliding one of them ${mm(by, 'up')} parts them.`,
  };
}

/** Two fittings in one place; said once, at the one nearer the stern. */
export const overlap = check({
  about: 'set',
  finds: {
    overlap: { called: 'Two things in one place', severity: 'stop', alsoOfMakers: true, since: 1 },
  },
  judge: ({ items, hull, memory }) => {
    const out: Raw[] = [];
    const boxes = items.map((i) => boxIn(memory, i.placed));
    items.forEach((b, i) => {
      const box = boxes[i];
      for (let n = 0; n < i; n++) {
        const [a, other] = [items[n], boxes[n]];
        if (!a || !box || !other || !near(box, other)) continue;
        // What stands on another touches it by design.
        if (joined(a.placed, b.placed) || apart(a, hull) || apart(b, hull)) continue;
        const found = memory.pair('overlap', a, b, () => inOnePlace(a, b));
        if (found) out.push(found);
      }
    });
    return out;
  },
});

/** Between sets only what stays on the boat can collide: bases that are bolted or riveted down. */
export const overlapBetweenSets = check({
  about: 'rig',
  finds: {
    'overlap-between-sets': { called: 'Bases of two sets in one place', severity: 'stop', since: 2 },
  },
  judge: ({ plan, stands }) => {
    const fixed = stands.filter((i) => i.holes.length > 0 && i.sets !== null);
    return fixed.flatMap((b, i): Raw[] =>
      fixed.slice(0, i).flatMap((a): Raw[] => {
        const apart = !a.sets?.some((s) => b.sets?.includes(s));
        const swap = a.placed.fitting.swap !== undefined && a.placed.fitting.swap === b.placed.fitting.swap;
        if (!apart || swap || a.placed.id === b.placed.id) return [];
        const by = bodyOverlap(baseOf(a.placed), baseOf(b.placed));
        if (by < 0.5) return [];
        return [
          {
            ...about(b),
            code: 'overlap-between-sets',
            detail: a.placed.id,
            measure: over(by, 'mm'),
            says: say`${nameOf(b)} is bolted down in the place of ${a.letter}, ${nameOf(a)}, by ${mm(by, 'up')}.`,
            because: say`They are in different sets (${setNames(plan, a)}; ${setNames(plan, b)}), but both bases stay on the boat. A shared plate lets them swap.`,
            tries: [
              {
                says: say`Let them swap on one plate`,
                changes: [a, b].map((one) => ({
                  kind: 'swapItem' as const,
                  item: one.placed.id,
                  from: one.placed.fitting.swap ?? null,
                  to: a.placed.fitting.swap ?? `plate-${a.placed.id}`.slice(0, 60),
                })),
              },
            ],
          },
        ];
      }),
    );
  },
});

const setNames = (plan: Plan, item: Fitted): string => (item.sets ?? []).map((s) => entryOf(plan.sets, s)?.name ?? s).join(', ');

function baseOf({ frame, part }: Placed): Body {
  const { length, width, thickness } = part.body.base;
  return bodyOf(frame, { name: 'base', u: [-length / 2, length / 2], v: [-width / 2, width / 2], w: [0, thickness] }, 0);
}

/** Two of a swap group aboard together in one set: there is one plate. */
export const swappedTogether = check({
  about: 'set',
  finds: {
    'swapped-together': { called: 'Swap on one plate, aboard together', severity: 'stop', acceptedBy: 'nobody', since: 2 },
  },
  judge: ({ items }) =>
    items.flatMap((b, i): Raw[] => {
      const { swap } = b.placed.fitting;
      const a = swap === undefined ? undefined : items.slice(0, i).find((one) => one.placed.fitting.swap === swap);
      if (!a) return [];
      return [
        {
          ...about(b),
          code: 'swapped-together',
          says: say`${nameOf(b)} and ${a.letter}, ${nameOf(a)}, share one plate and are both aboard.`,
          because: say`One swaps for the other: put them in different sets.`,
        },
      ];
    }),
});
