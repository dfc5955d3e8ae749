import type { ShopSettings } from '../../parts/shop';
import type { HullModel } from '../../boat/hull';
import { capital } from '../../base/units';
import type { PlannedHole } from '../fitted';

/** What to mind at one hole, in the order it matters: what is behind, water, foam, then the sealant. */
export function cautionsAt(hole: PlannedHole, hull: HullModel, shop: ShopSettings, waterline: number): string[] {
  const { nearest, wanted } = hole.behind;
  const near = nearest && nearest.clear < wanted ? nearest.name : null;
  return [
    'Eye protection on.',
    near ? `Look behind first: ${near}.` : 'Look behind before the bit goes in.',
    ...(near && /foam/i.test(near) ? ['Foam holds water: seal the hole all the deeper.'] : []),
    ...(hole.at.z < waterline ? ['Under the waterline: a manager has said yes, or it is not drilled.'] : []),
    ...(hole.behind.blocked ? [`No hand behind: ${hole.behind.blocked}.`] : []),
    sealantWords(hull, shop),
  ];
}

/** What the shop's sealant does on this hull, and for how long it is left alone. */
export function sealantWords({ material }: Pick<HullModel, 'material'>, shop: ShopSettings): string {
  const { sealant } = shop.holding;
  const name = capital(sealant);
  const bonds =
    material === 'polyethylene'
      ? `${name} seals on polyethylene as a gasket: it does not bond.`
      : `${name} under the base and on the threads.`;
  const remedies =
    sealant === 'butyl tape' ? 'No cure: tighten again after a day.' : `No load and no water for ${shop.cureHours} hours.`;
  return `${bonds} ${remedies}`;
}
