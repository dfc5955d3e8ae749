import { isShaftInHull, strokesOn } from '../../checks/findings';
import { bodyOverlap, footingOf, placeFitting, strokeHit, type Placed, type StrokeSpaces } from '../../layout';
import type { Memory } from '../../base/stages';
import type { Workup, WorkupInput } from '../../workup';
import { handTo } from './hand';
import { fittingsOf, wishedOf, type Stack } from './stack';
import type { Spot } from './spots';

/** A place that is worth working up, with what was found out about it roughly. */
export interface Sifted {
  readonly stack: Stack;
  readonly spot: Spot;
  /** The stack as it would stand, the thing wished for last. */
  readonly placed: readonly Placed[];
  /** The worse the larger, the first figure before the next. */
  readonly rough: readonly number[];
}

/** Sifts places by what can be told without working the rig up. */
export class Sieve {
  private readonly others: readonly Placed[];
  private readonly strokes: StrokeSpaces | null;

  constructor(
    private readonly input: WorkupInput,
    private readonly w: Workup,
    memory: Memory,
  ) {
    this.others = w.aboard.items.map((i) => i.placed);
    const { surface } = w.seats.whole;
    const { brief } = input.plan;
    this.strokes = brief.propulsion.includes('paddle')
      ? strokesOn({ surface, brief, shop: input.shop }, w.weight.of(w.aboard.items, w.seats.whole), memory)
      : null;
  }

  /** A stack at a place; null where it cannot stand at all. */
  sift(stack: Stack, spot: Spot): Sifted | null {
    const { surface } = this.w;
    const rodLength = this.input.plan.brief.rodLength;
    const ids = stack.map((_, i) => `new ${i}`);
    const placed: Placed[] = [];
    for (const { id, fitting } of fittingsOf(stack, { place: spot.place, mount: LOOSE }, ids)) {
      const part = stack[placed.length];
      const under = spot.place.on === 'fitting' ? spot.place.fitting : null;
      const below = placed.at(-1) ?? this.others.find((o) => o.id === under);
      const one = placeFitting(surface, id, fitting, part, { rodLength, ...(below ? { below } : {}) });
      if (!one || one.frame.off) return null;
      placed.push(one);
    }
    return { stack, spot, placed, rough: this.rough(stack, placed) };
  }

  private rough(stack: Stack, placed: readonly Placed[]): number[] {
    const [base] = placed;
    const top = placed.at(-1);
    if (!base || !top) return [];
    const bodies = placed.flatMap((p) => p.bodies);
    const meets = this.others.filter(
      (o) => o.id !== base.below?.id && bodies.some((a) => o.bodies.some((b) => bodyOverlap(a, b) > 0)),
    );
    const onDeck = base.place.on === 'deck';
    const footing = onDeck ? footingOf(this.w.surface, base) : null;
    const falls = footing ? Number(footing.carried < 0.6) + Number(footing.into !== null) + Number(footing.overboard > 0) : 0;
    const stroke = this.strokes && wishedOf(stack).body.place !== 'sat on' ? strokeHit(bodies, this.strokes) : {};
    const { zones, beyond } = handTo(top, this.w);
    return [
      meets.length + falls + Number(stroke.nominal !== undefined) + Number(isShaftInHull(this.w.surface, base)),
      zones,
      Number(stroke.band !== undefined) + (footing ? footing.lids.length + footing.tracks.length + footing.over.length : 0),
      beyond,
    ];
  }
}

const LOOSE = { hold: 'loose', plate: false, reason: '' } as const;

/** Which of two roughly judged places is worked up first. */
export function roughly(a: readonly number[], b: readonly number[]): number {
  for (const [i, x] of a.entries()) {
    const d = x - (b[i] ?? 0);
    if (d !== 0) return d;
  }
  return 0;
}
