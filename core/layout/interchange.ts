import type { Part } from '../catalog';
import type { HullModel, Rail } from '../hull';

/** One place on a hull that takes a part, or would but for one thing. */
export interface Taking {
  readonly place: string;
  readonly fits: boolean;
  readonly why: string;
}

/** The usual T-bolt head (common practice, no source), mm. */
export const USUAL_HEAD = { neck: 8, deep: 4 } as const;

/** Why a T-bolt of this part does not go into a slot; null when it does. */
export function slotFault(part: Pick<Part, 'slotHead'>, slot: HullModel['tracks'][number]['slot']): string | null {
  const head = part.slotHead ?? USUAL_HEAD;
  if (head.neck > slot.opening) return `its T-bolt neck of ${head.neck} mm is wider than the slot’s ${slot.opening} mm`;
  return head.deep > slot.depth ? `its T-bolt head of ${head.deep} mm is deeper than the slot’s ${slot.depth} mm` : null;
}

/** Why a part does not clamp on a rail; null when it does. */
export function railFault(part: Pick<Part, 'clamps'>, rail: Pick<Rail, 'diameter'>): string | null {
  if (!part.clamps) return 'it has no clamp';
  const { least, most } = part.clamps;
  if (rail.diameter < least) return `the rail of ${rail.diameter} mm is thinner than its clamp closes to, ${least} mm`;
  return rail.diameter > most ? `the rail of ${rail.diameter} mm is thicker than its clamp opens to, ${most} mm` : null;
}

/**
 * Where a part that moves between boats goes on another hull: its tracks by slot and length, its wells by
 * size both ways round, inserts by thread, scuppers by size.
 */
export function takenBy(part: Part, hull: HullModel): Taking[] {
  const { length, width } = part.base;
  const out: Taking[] = [];
  if (part.holds.includes('track'))
    for (const t of hull.tracks) {
      const long = t.aft - t.fore;
      const why =
        slotFault(part, t.slot) ?? (length > long ? `its base of ${length} mm is longer than the track's ${long} mm` : null);
      out.push({ place: t.name, fits: why === null, why: why ?? 'slot and length take it' });
    }
  if (part.holds.includes('loose'))
    for (const d of hull.decks.filter((one) => one.kind === 'tank well')) {
      const [long, wide] = [d.aft - d.fore, d.starboard - d.port];
      const over = Math.min(Math.max(length - long, width - wide), Math.max(width - long, length - wide));
      const why = over > 0 ? `too large by ${Math.ceil(over)} mm, either way round` : 'drops in';
      out.push({ place: d.name, fits: over <= 0, why });
    }
  if (part.holds.includes('insert'))
    for (const i of hull.inserts) {
      const fits = i.thread === '1/4-20';
      out.push({ place: i.name, fits, why: fits ? 'thread 1/4-20' : `its thread is ${i.thread}` });
    }
  if (part.holds.includes('clamp'))
    for (const r of hull.rails ?? []) {
      const why = railFault(part, r);
      out.push({ place: r.name, fits: why === null, why: why ?? 'its clamp closes on it' });
    }
  if (part.holds.includes('scupper'))
    for (const s of hull.scuppers) {
      const fits = part.base.width <= s.diameter * 2.6;
      out.push({ place: `scupper at ${Math.round(s.x)}`, fits, why: fits ? 'takes its post' : `the hole is ${s.diameter} mm` });
    }
  return out;
}
