import { slimBody, type Body } from '../layout';
import { distance, type Point } from '../base/units';

/** A line's stretches as slim boxes, as thick as its cord. */
export const bodiesAlong = (path: readonly Point[], diameter: number): Body[] =>
  path.flatMap((to, i) => {
    const from = path[i - 1];
    return from && distance(from, to) > 1 ? [slimBody(from, to, diameter / 2)] : [];
  });
