import { entryOf, partRef, type Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import { type Part, partKey } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import { cutTrack } from './cut';

/** What the parts aboard follow from. */
export interface PartsInput {
  readonly fittings: Plan['fittings'];
  /** Parts of the rig's own. */
  readonly own: readonly Part[];
  readonly parts: readonly Part[];
  readonly holding: ShopSettings['holding'];
}

/** The part of each fitting by the fitting's id, a track as it is cut; fittings whose part is not given in their revision are left out. */
export function partsAboard({ fittings, own, parts, holding }: PartsInput, memory: Memory): ReadonlyMap<string, Part> {
  const sold = memory.last('sold', [parts, own], () => new Map([...parts, ...own].map((p) => [partKey(p), p])));
  const out = new Map<string, Part>();
  for (const id of Object.keys(fittings)) {
    const fitting = entryOf(fittings, id);
    const part = fitting && sold.get(partKey(partRef(fitting)));
    if (part)
      out.set(
        id,
        memory.last(id, [part, fitting.length, holding], () => cutTrack(part, fitting.length, holding)),
      );
  }
  return out;
}
