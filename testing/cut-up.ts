import { seeded } from '@plain-cleat/core/work/cutting';

/** About 500 pieces made by cutting up full bars of 3 m: the number of bars is the optimum. */
export function cutUpBars(seed: number): { lengths: number[]; bars: number } {
  const random = seeded(seed);
  const lengths: number[] = [];
  let bars = 0;
  while (lengths.length < 500) {
    bars++;
    let left = 3000;
    while (left > 700) {
      const piece = 120 + Math.floor(random() * 500);
      lengths.push(piece);
      left -= piece;
    }
    lengths.push(left);
  }
  return { lengths, bars };
}
