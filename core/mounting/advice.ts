import type { Hold, ShopSettings } from '../catalog';
import type { Placed } from '../layout';
import type { HullSurface } from '../hull';
import type { Brief } from '../rig';
import { HOLD_WORDS, mountFitting } from './mount';

/** One way to hold a fitting here, judged. */
export interface MountAdvice {
  readonly hold: Hold;
  readonly plate: boolean;
  readonly says: string;
  readonly fits: boolean;
  readonly holes: number;
}

/** Fewest new holes first; equal holes, the sturdier way first. */
const ORDER: readonly Hold[] = ['track', 'insert', 'scupper', 'loose', 'through', 'rivet'];

/**
 * Ways to hold a fitting where it stands, best first: what cannot be done last with its reason,
 * then drill policy, then fewest new holes.
 */
export function mountAdvice(hull: HullSurface, placed: Placed, brief: Brief, shop: ShopSettings): MountAdvice[] {
  const { part, fitting } = placed;
  return [...part.holds]
    .sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b))
    .map((hold): MountAdvice => {
      const plate = hold === 'through' && part.lever;
      const mounted = mountFitting({ ...placed, fitting: { ...fitting, mount: { hold, plate, reason: '' } } }, shop, hull.model);
      const drills = mounted.holes > 0;
      const soft = hull.model.material === 'pvc fabric';
      const cannot =
        mounted.cannot ??
        (drills && (brief.holes === 'none' || brief.borrowed)
          ? brief.borrowed
            ? 'the boat is borrowed: it goes back undrilled'
            : 'the brief says no new holes'
          : drills && soft
            ? 'fabric is not drilled'
            : null);
      const how = `${HOLD_WORDS[hold]}${plate ? ' on a backing plate, for its leverage' : ''}`;
      const says =
        cannot ?? (drills ? `${how}: ${mounted.holes} new ${mounted.holes === 1 ? 'hole' : 'holes'}` : `${how}: no holes`);
      return { hold, plate, says, fits: cannot === null, holes: mounted.holes };
    })
    .sort((a, b) => Number(b.fits) - Number(a.fits) || a.holes - b.holes);
}
