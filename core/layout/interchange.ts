import type { Part } from '../parts/parts';
import type { HullModel, Rail } from '../boat/hull';
import { fine, mm, say, type Sentence } from '../base/units';

/** One place on a hull that takes a part, or would but for one thing. */
export interface Taking {
  readonly place: string;
  readonly fits: boolean;
  readonly why: Sentence;
}

/** The usual T-bolt head (common practice, no source), mm. */
const USUAL_HEAD = { neck: 8, deep: 4 } as const;

/** Why a T-bolt of this part does not go into a slot; null when it does. */
export function slotFault(
  holding: Pick<Part['holding'], 'slotHead'>,
  slot: HullModel['tracks'][number]['slot'],
): Sentence | null {
  const head = holding.slotHead ?? USUAL_HEAD;
  if (head.neck > slot.opening) return say`its T-bolt neck of ${fine(head.neck)} is wider than the slot’s ${fine(slot.opening)}`;
  return head.deep > slot.depth ? say`its T-bolt head of ${fine(head.deep)} is deeper than the slot’s ${fine(slot.depth)}` : null;
}

/** Why a part does not clamp on a rail; null when it does. */
export function railFault(part: Pick<Part, 'holding'>, rail: Pick<Rail, 'diameter'>): Sentence | null {
  if (!part.holding.clamps) return say`it has no clamp`;
  const { least, most } = part.holding.clamps;
  if (rail.diameter < least) return say`the rail of ${fine(rail.diameter)} is thinner than its clamp closes to, ${fine(least)}`;
  return rail.diameter > most ? say`the rail of ${fine(rail.diameter)} is thicker than its clamp opens to, ${fine(most)}` : null;
}

/**
 * Where a part that moves between boats goes on another hull: its tracks by slot and length, its wells by
 * size both ways round, inserts by thread, scuppers by size.
 */
export function takenBy(part: Part, hull: HullModel): Taking[] {
  const { length, width } = part.body.base;
  const out: Taking[] = [];
  if (part.holding.ways.includes('track'))
    for (const t of hull.tracks) {
      const long = t.aft - t.fore;
      const why =
        slotFault(part.holding, t.slot) ??
        (length > long ? say`its base of ${mm(length, 'up')} is longer than the track's ${mm(long, 'down')}` : null);
      out.push({ place: t.name, fits: why === null, why: why ?? say`slot and length take it` });
    }
  if (part.holding.ways.includes('loose'))
    for (const d of hull.decks.filter((one) => one.kind === 'tank well')) {
      const [long, wide] = [d.aft - d.fore, d.starboard - d.port];
      const over = Math.min(Math.max(length - long, width - wide), Math.max(width - long, length - wide));
      const why = over > 0 ? say`too large by ${mm(over, 'up')}, either way round` : say`drops in`;
      out.push({ place: d.name, fits: over <= 0, why });
    }
  if (part.holding.ways.includes('insert'))
    for (const i of hull.inserts) {
      const fits = i.thread === '1/4-20';
      out.push({ place: i.name, fits, why: fits ? say`thread 1/4-20` : say`its thread is ${i.thread}` });
    }
  if (part.holding.ways.includes('clamp'))
    for (const r of hull.rails ?? []) {
      const why = railFault(part, r);
      out.push({ place: r.name, fits: why === null, why: why ?? say`its clamp closes on it` });
    }
  if (part.holding.ways.includes('scupper'))
    for (const s of hull.scuppers) {
      const fits = part.body.base.width <= s.diameter * 2.6;
      out.push({
        place: `scupper at ${Math.round(s.x)}`,
        fits,
        why: fits ? say`takes its post` : say`the hole is ${fine(s.diameter)}`,
      });
    }
  return out;
}
