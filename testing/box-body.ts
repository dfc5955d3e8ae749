import type { Body } from '../core/layout';

/** A body as square as a box, from here to there, mm. */
export const boxBody = (x0: number, x1: number, y0: number, y1: number, bottom: number, top: number): Body => ({
  name: 'box',
  outline: [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ],
  bottom,
  top,
});
