import { WIDTH } from '../boat-view/scale';

/** A box in a lane of the circuit: its middle, and the lane, counted from the uppermost. */
export interface LaneBox {
  readonly x: number;
  readonly lane: number;
}

/** How lanes and their boxes are drawn. */
export const LANE = { height: 66, boxTop: 14, boxWide: 92, boxTall: 42, gap: 6, leftmost: 84, rightmost: WIDTH - 4 } as const;

export const boxTop = (lane: number): number => lane * LANE.height + LANE.boxTop;
const boxFoot = (lane: number): number => boxTop(lane) + LANE.boxTall;

/** The place nearest to where a line comes from at which it goes through a lane beside every box. */
function throughLane(from: number, boxes: readonly LaneBox[], room: number, aside: number): number {
  const clear = (x: number): boolean =>
    x >= LANE.leftmost && x <= LANE.rightmost && boxes.every((b) => Math.abs(b.x - x) >= LANE.boxWide / 2 + room - 1e-6);
  const more = 12 + aside;
  const beside = boxes.flatMap(({ x }) => {
    const far = LANE.boxWide / 2 + room;
    return [x - far - more, x - far, x + far + more, x + far];
  });
  return [from, ...beside].filter(clear).sort((a, b) => Math.abs(a - from) - Math.abs(b - from))[0] ?? from;
}

/**
 * The line of a cable from box to box: up or down and across between the lanes, and through a lane beside what stands there.
 * @param steps what the cable joins, in its order
 * @param boxes every box of the circuit
 * @param thick of the line
 * @param aside how far beside the middle of its boxes it keeps, so that cables of one box are told apart
 * @returns corners of the line, step by step
 */
export function circuitLine(
  steps: readonly LaneBox[],
  boxes: readonly LaneBox[],
  thick: number,
  aside: number,
): (readonly [x: number, y: number])[][] {
  return steps.slice(1).map((to, i) => {
    const from = steps[i] ?? to;
    const [start, end] = [from.x + aside, to.x + aside];
    // In one lane the line goes round above it.
    if (from.lane === to.lane) {
      const [foot, over] = [boxTop(from.lane), boxTop(from.lane) - 8 + aside / 4];
      return [
        [start, foot],
        [start, over],
        [end, over],
        [end, foot],
      ] as const;
    }
    const up = to.lane < from.lane;
    /** Between a lane and the next that the line comes to. */
    const before = (lane: number): number => boxFoot(up ? lane : lane - 1) + 11 + aside / 2;
    const line: [number, number][] = [[start, up ? boxTop(from.lane) : boxFoot(from.lane)]];
    let x = start;
    const across = (next: number, y: number): void => {
      line.push([x, y], [next, y]);
      x = next;
    };
    for (let lane = from.lane + (up ? -1 : 1); lane !== to.lane; lane += up ? -1 : 1) {
      const inLane = boxes.filter((b) => b.lane === lane);
      const next = throughLane(x, inLane, thick / 2 + 1, aside);
      if (next !== x) across(next, before(lane));
    }
    across(end, before(to.lane));
    line.push([end, up ? boxFoot(to.lane) : boxTop(to.lane)]);
    return line;
  });
}

/** Pushes boxes of one lane apart from bow to stern, then back inside the right edge. */
export function spreadAlong<B extends { readonly x: number }>(boxes: readonly B[]): B[] {
  const step = LANE.boxWide + LANE.gap;
  const out: B[] = [];
  for (const b of [...boxes].sort((p, q) => p.x - q.x)) out.push({ ...b, x: Math.max(b.x, (out.at(-1)?.x ?? 60) + step, 142) });
  for (let i = out.length - 1, most = LANE.rightmost - LANE.boxWide / 2; i >= 0; i--, most -= step) {
    const b = out[i];
    if (b && b.x > most) out[i] = { ...b, x: most };
  }
  return out;
}
