/** The middle one of some figures; of an even count the upper of the two. */
export const median = (figures: readonly number[]): number =>
  [...figures].sort((a, b) => a - b)[Math.floor(figures.length / 2)] ?? NaN;
