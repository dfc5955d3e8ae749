import type { Fitted } from '../drilling';
import { bodyOverlap, type Placed } from '../layout';
import { mm, say } from '../units';
import { about, type Judgement, type Raw } from './finding';

const deepest = (a: Placed, b: Placed): number =>
  Math.max(0, ...a.bodies.flatMap((one) => b.bodies.map((other) => bodyOverlap(one, other))));

/** How far out from its origin a fitting reaches in plan, for a quick first look. */
const radius = (p: Placed): number =>
  Math.max(...p.bodies.flatMap((b) => b.outline.map(([x, y]) => Math.hypot(x - p.frame.origin.x, y - p.frame.origin.y))));

/** Two fittings in one place; said once, at the one nearer the stern. */
export const overlap: Judgement = ({ items }) => {
  const out: Raw[] = [];
  const radii = new Map<Fitted, number>(items.map((i) => [i, radius(i.placed)]));
  items.forEach((b, i) => {
    for (const a of items.slice(0, i)) {
      const [p, q] = [a.placed.frame.origin, b.placed.frame.origin];
      if (Math.hypot(p.x - q.x, p.y - q.y) > (radii.get(a) ?? 0) + (radii.get(b) ?? 0)) continue;
      const by = deepest(a.placed, b.placed);
      if (by < 0.5) continue;
      out.push({
        ...about(b),
        code: 'overlap',
        detail: a.placed.id,
        severity: 'stop',
        curable: true,
        says: say`${b.placed.part.name} stands in the place of ${a.letter}, ${a.placed.part.name}, by ${mm(by, 'up')}.`,
        because: say`Sliding one of them ${mm(by, 'up')} parts them.`,
      });
    }
  });
  return out;
};
