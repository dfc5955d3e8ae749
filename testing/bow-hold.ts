import type { Plan, Run } from '../core/rig';

/** A place in the bow hold. */
export const inBowHold = (x: number, y = 0): Plan['fittings'][string]['place'] => ({
  on: 'space',
  space: 'bow-hold',
  x,
  y,
  heading: 0,
});
/** A run inside, to port. */
export const runInside = (from: string, to: string, more: Partial<Run> = {}): Run => ({
  from,
  to,
  lane: 'inside port',
  via: [],
  awg: null,
  ...more,
});
