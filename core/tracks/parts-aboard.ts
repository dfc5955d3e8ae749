import { entryOf, type Plan } from '../rig';
import type { Memory } from '../stages';
import type { Part } from '../parts';
import type { ShopSettings } from '../shop';
import { cutTrack } from './cut';

/** What the parts aboard follow from. */
export interface PartsInput {
  readonly fittings: Plan['fittings'];
  readonly parts: readonly Part[];
  readonly holding: ShopSettings['holding'];
}

/** The part of each fitting by the fitting's id, a track as it is cut; fittings whose part is not sold are left out. */
export function partsAboard({ fittings, parts, holding }: PartsInput, memory: Memory): ReadonlyMap<string, Part> {
  const byId = memory.last('by id', [parts], () => new Map(parts.map((p) => [p.id, p])));
  const out = new Map<string, Part>();
  for (const id of Object.keys(fittings)) {
    const fitting = entryOf(fittings, id);
    const sold = fitting && byId.get(fitting.part);
    if (sold)
      out.set(
        id,
        memory.last(id, [sold, fitting.length, holding], () => cutTrack(sold, fitting.length, holding)),
      );
  }
  return out;
}
