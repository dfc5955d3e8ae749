import { HOLDS, type Hold } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import { holesOf, type HoleSetting } from '../../holding/drilling';
import type { Fitted, Opening, PlannedHole } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { letsGoAt } from '../../holding/inside';
import { fastenMinutes, mountMinutes } from '../../work/labor';
import type { Placed } from '../../layout';
import { canBe, HOLD_WORDS, mountFitting, type Mounted } from '../../holding/mounting';
import type { Brief, Ledger, LedgerHole, Plan } from '../../rig';
import { say, type Sentence } from '../../base/units';
import { reuseOffers, type ReuseOffer } from './reuse';
import { type Strength, strengthOf } from './methods';

/** One way to hold a fitting here, judged. */
export interface MountAdvice {
  readonly hold: Hold;
  readonly plate: boolean;
  /** What it is, or why not, in one sentence. */
  readonly says: Sentence;
  readonly fits: boolean;
  /** Holes still to make in the hull: new ones, and old ones to open up. */
  readonly holes: number;
  readonly minutes: number;
  readonly fastener: string | null;
  readonly strength: Strength | null;
  /** Where old holes would serve, before new ones are drilled. */
  readonly reuse: ReuseOffer | null;
}

export interface AdviceSetting extends HoleSetting {
  readonly brief: Brief;
  /** Open holes of the hull that nothing uses. */
  readonly old: readonly LedgerHole[];
}

/** Ways that only differ within a tenth are equal: the shop's habit decides. */
const TENTH = 0.1;

const drills = (m: Mounted): boolean => m.holes > 0;

/** A fitting as it would be held one way. */
interface Tried {
  readonly placed: Placed;
  readonly mounted: Mounted;
  readonly holes: readonly PlannedHole[];
  readonly strength: Strength | null;
}

/** Why a way that could be done may not be: the drill policy, the material, what is behind, what it bears. */
function against(
  hull: HullSurface,
  { placed, mounted, holes, strength }: Tried,
  { brief, shop }: AdviceSetting,
): Sentence | null {
  const fresh = holes.some((h) => !h.drilled);
  if (drills(mounted) && hull.model.material === 'pvc fabric') return say`fabric is not drilled`;
  if (fresh && brief.borrowed) return say`the boat is borrowed: it goes back undrilled`;
  if (fresh && brief.holes === 'none') return say`the brief says no new holes`;
  const blocked = holes.find((h) => h.behind.blocked !== null);
  if (blocked) return say`nothing reaches behind ${blocked.label}: ${blocked.behind.blocked ?? []}`;
  const meets = holes.find((h) => h.behind.nearest && h.behind.nearest.clear <= 0);
  if (meets) return say`${meets.label} goes into the ${meets.behind.nearest?.name ?? ''}`;
  if (strength && strength.factor < 1)
    return say`${strength.rules}: it bears ${strength.factor.toFixed(1)} of what its use asks, shock included`;
  if (strength?.rocks && strength.rocks > shop.holding.rock)
    return say`it rocks ${strength.rocks.toFixed(0)}° under its working pull: spread the load`;
  const { pitch, heel, slip } = shop.limits;
  if (mounted.hold === 'loose' && placed.place.on === 'space' && Math.max(pitch, heel) > letsGoAt(slip))
    return say`loose inside, it slides when the boat pitches or heels`;
  if (mounted.hold === 'loose' && placed.part.holding.lever) return say`its use would lever it out of a strap`;
  return null;
}

const plural = (n: number, what: string): string => `${n} ${n === 1 ? what : `${what}s`}`;

function inFavour(
  mounted: Mounted,
  holes: readonly PlannedHole[],
  strength: Strength | null,
  reuse: ReuseOffer | null,
): Sentence {
  const fresh = holes.filter((h) => !h.drilled).length;
  const how = `${HOLD_WORDS[mounted.hold]}${mounted.plate && mounted.hold === 'through' ? ' on a backing plate' : ''}`;
  const makes = fresh
    ? `${plural(fresh, 'new hole')}${reuse ? `, ${reuse.left} where old ones serve` : ''}`
    : holes.length
      ? 'no new holes'
      : 'no holes';
  const bears = strength ? `, bears ${Math.min(99, strength.factor).toFixed(1)} times what its use asks` : '';
  const hand = holes.find((h) => h.behind.access);
  return say`${how}: ${makes}${bears}${hand?.behind.access ? `, by hand from the ${hand.behind.access.hatch}` : ''}${mounted.first ? say`. ${mounted.first}` : ''}`;
}

/** Every way of holding, with and without a plate where bolts go through. */
const WAYS = HOLDS.flatMap((hold): { hold: Hold; plate: boolean }[] =>
  (hold === 'through' ? [false, true] : [hold === 'pulled plate']).map((plate) => ({ hold, plate })),
);

/** What the part is not made for at all, said without working it up. */
const notMadeFor = (hold: Hold): string => `it is not made for ${HOLD_WORDS[hold]}`;

/**
 * All ways to hold a fitting where it stands, best first. What fails comes last with its reason; of what
 * passes, fewest holes to make, then what it bears (up to three times enough), then minutes; equal within a
 * tenth, the shop's habit.
 */
export function mountAdvice(hull: HullSurface, placed: Placed, setting: AdviceSetting): MountAdvice[] {
  const { shop } = setting;
  const { labor, holding } = shop;
  const all = WAYS.map(({ hold, plate }): MountAdvice => {
    const none = { hold, plate, holes: 0, minutes: 0, fastener: null, strength: null, reuse: null };
    if (!canBe(placed.part, hold)) return { ...none, fits: false, says: say`${notMadeFor(hold)}` };
    const tried = { ...placed, fitting: { ...placed.fitting, mount: { hold, plate, reason: '' } } };
    const mounted = mountFitting(tried, shop, hull.model);
    if (mounted.cannot) return { ...none, fits: false, says: mounted.cannot };
    const holes = holesOf(hull, tried, mounted, setting);
    const strength = strengthOf(hull, tried, mounted, shop);
    const fresh = holes.filter((h) => !h.drilled).length;
    const offers = fresh ? reuseOffers(hull, { placed: tried, holes, old: setting.old, within: shop.drilling.reuseWithin }) : [];
    const why = against(hull, { placed: tried, mounted, holes, strength }, setting);
    return {
      hold,
      plate: mounted.plate,
      fits: why === null,
      says: why ?? inFavour(mounted, holes, strength, offers[0] ?? null),
      holes: holes.filter((h) => !h.drilled || h.openUp).length,
      minutes: holes.length ? mountMinutes(mounted, holes, labor) : fastenMinutes(mounted, holes, labor),
      fastener: mounted.fastener,
      strength,
      reuse: why === null ? (offers[0] ?? null) : null,
    };
  });
  const habit = (a: MountAdvice): number => {
    const at = holding.habit.indexOf(a.hold);
    return at < 0 ? HOLDS.length : at;
  };
  const enough = (a: MountAdvice): number => Math.min(3, a.strength?.factor ?? 3);
  const made = (a: MountAdvice): number => Number(!canBe(placed.part, a.hold));
  const differ = (a: number, b: number): number => (Math.abs(a - b) <= TENTH * Math.max(a, b) ? 0 : a - b);
  return all.sort(
    (a, b) =>
      Number(b.fits) - Number(a.fits) ||
      made(a) - made(b) ||
      a.holes - b.holes ||
      differ(enough(b), enough(a)) ||
      differ(a.minutes, b.minutes) ||
      habit(a) - habit(b),
  );
}

/** What advice follows from, of a rig that was worked up. */
export const adviceSetting = (
  item: Pick<Fitted, 'letter'>,
  plan: Pick<Plan, 'tape' | 'brief'>,
  shop: ShopSettings,
  worked: {
    readonly ledger: Ledger;
    readonly aboard: { readonly openings: readonly Opening[] };
    readonly drilling: { readonly oldHoles: readonly LedgerHole[] };
  },
): AdviceSetting => ({
  letter: item.letter,
  tape: plan.tape,
  brief: plan.brief,
  shop,
  ledger: worked.ledger,
  openings: worked.aboard.openings,
  old: worked.drilling.oldHoles.filter((h) => h.plugged === null),
});
