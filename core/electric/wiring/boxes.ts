import { freeWay, type Passes } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { Run } from '../../rig';
import { idOf, nearest, xOf } from './asked-of';

/** What hands current on by several ways, as a proposal fills it. */
export class Box {
  /** The battery whose loads it takes; the first load decides. */
  battery: Fitted | null = null;
  /** What hangs on each way, A. */
  private readonly ways = new Map<number, number>();

  constructor(
    readonly item: Fitted,
    readonly passes: Passes,
  ) {}

  hang(way: number, amps: number): void {
    this.ways.set(way, this.on(way) + amps);
  }

  /** Whether a load of so many amperes has a way of its own there. */
  takes(amps: number): boolean {
    const all = [...this.ways.values()].reduce((a, b) => a + b, 0);
    return this.ways.size < this.passes.ways && amps <= this.wayAmps && all + amps <= this.passes.amps;
  }

  /** Whether a way takes so many amperes more. */
  sharesWay = (way: number, amps: number): boolean => this.on(way) + amps <= this.wayAmps;
  /** Ways in use that still take so many amperes more, the least laden first. */
  waysFor(amps: number): number[] {
    const all = [...this.ways.values()].reduce((a, b) => a + b, 0);
    if (all + amps > this.passes.amps) return [];
    return [...this.ways]
      .filter(([way]) => this.sharesWay(way, amps))
      .sort(([, a], [, b]) => a - b)
      .map(([way]) => way);
  }

  /** A name that no other of its ways has: the second of a kind is numbered. */
  called(runs: readonly Run[], way: number, name: string): string {
    const taken = runs.filter((r) => r.from === idOf(this.item) && r.way !== way).map((r) => r.name);
    const numbered = (n: number): string => (n === 1 ? name : `${name} ${n}`);
    for (let n = 1; ; n++) if (!taken.includes(numbered(n))) return numbered(n);
  }

  nextWay = (): number => freeWay(this.passes.ways, this.ways) ?? 1;

  private on = (way: number): number => this.ways.get(way) ?? 0;
  private get wayAmps(): number {
    return this.passes.wayAmps ?? this.passes.amps;
  }
}

/** What a box is wanted for. */
interface Wanted {
  readonly amps: number;
  readonly battery: Fitted;
  /** Nothing else switches it. */
  readonly unswitched: boolean;
}

/** The box that takes a load: one of its battery with a way free, one that switches where nothing else does, the nearest of them. */
export function boxFor(boxes: readonly Box[], { amps, battery, unswitched }: Wanted): Box | undefined {
  const free = boxes.filter(
    (b) => (b.battery === null || b.battery === battery) && b.takes(amps) && (!unswitched || b.passes.switched),
  );
  // What needs no switch leaves the switched ways to what does.
  const liked = free.filter((b) => unswitched === (b.passes.switched ?? false));
  return nearest(xOf(battery), liked.length ? liked : free, (b) => xOf(b.item));
}

/** A way of a box of this battery that still carries so much more; the least laden. */
export function sharedWay(boxes: readonly Box[], { amps, battery, unswitched }: Wanted): { box: Box; way: number } | null {
  const fits = boxes
    .filter((b) => b.battery === battery && (!unswitched || b.passes.switched))
    .flatMap((box) => box.waysFor(amps).map((way) => ({ box, way })));
  return fits[0] ?? null;
}
