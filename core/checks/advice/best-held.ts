import type { Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { HullSurface } from '../../boat/hull';
import type { Fitted } from '../../holding/fitted';
import { placeFitting } from '../../layout';
import { fittingOf, type Fitting, type Place, type Plan } from '../../rig';
import { adviceSetting, mountAdvice, type MountAdvice } from './advice';

/** A rig that was worked up, in which something is to be held. */
export interface Worked {
  readonly plan: Pick<Plan, 'tape' | 'brief'>;
  readonly shop: ShopSettings;
  readonly workup: Parameters<typeof adviceSetting>[3] & {
    readonly surface: HullSurface;
    readonly aboard: { readonly items: readonly Fitted[] };
  };
}

/** How a thing is held at a place, with the advice it is held by; none where the place itself says how. */
export interface BestHeld {
  readonly mount: Fitting['mount'];
  readonly advice: MountAdvice | null;
}

const by = (hold: Fitting['mount']['hold'], advice: MountAdvice | null = null): BestHeld => ({
  mount: { hold, plate: advice?.plate ?? false, reason: '' },
  advice,
});

/**
 * The best way to hold a part at a place.
 * @param now the fitting that stands elsewhere now: held as it is where that fits there too
 */
export function bestHeld({ plan, shop, workup }: Worked, part: Part, place: Place, now?: Fitting): BestHeld {
  const draft: Fitting = now ? { ...now, place } : fittingOf(part, place);
  const below = place.on === 'fitting' ? workup.aboard.items.find((i) => i.placed.id === place.fitting)?.placed : undefined;
  const placed = placeFitting(workup.surface, 'new', draft, part, { place, below });
  if (!placed) return { mount: draft.mount, advice: null };
  if (below?.part.holding.slot && part.holding.ways.includes('track')) return by('track');
  if (place.on === 'fitting' && part.holding.ways.includes('loose')) return by('loose');
  const advice = mountAdvice(workup.surface, placed, adviceSetting({ letter: 'A' }, plan, shop, workup));
  const kept = now && advice.find((a) => a.hold === now.mount.hold && a.plate === now.mount.plate && a.fits);
  if (kept) return { mount: now.mount, advice: kept };
  const best = advice.find((a) => a.fits) ?? advice[0];
  // Inside, what cannot be strapped is set down, and said to slide.
  if (place.on === 'space' && !best?.fits) return by('loose');
  return best ? by(best.hold, best) : { mount: draft.mount, advice: null };
}
