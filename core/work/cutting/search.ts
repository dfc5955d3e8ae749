/** How long a search may go on, and from where: the same seed and budget find the same. */
export interface Search {
  readonly seed: number;
  /** Most tries. */
  readonly budget: number;
  readonly shouldStop?: () => boolean;
  /** Told now and then how far it is, 0 to 1. */
  readonly progress?: (share: number) => void;
}

/** A seeded stream of numbers in [0, 1): mulberry32. The core knows no chance of its own. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
