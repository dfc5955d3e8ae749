import type { Fitted } from '../drilling';
import type { Plan } from '../rig';
import { mm, say, sideOf } from '../units';
import { about, toOtherSide, type Judgement, type Raw } from './finding';

/** One rod parked in reach while landing a fish is every school's exception, where pedals or a motor drive the boat. */
function parkedRodOf(items: readonly Fitted[], plan: Plan): (item: Fitted) => boolean {
  const driven = plan.brief.propulsion.some((p) => p !== 'paddle');
  const first = driven ? items.find((i) => i.placed.part.kind === 'rod tube' && i.placed.part.use === 'always') : undefined;
  return (item) => item === first;
}

/** What stands in the swept space of shaft and hands: stop at the nominal body, look in the band only. */
export const paddleStroke: Judgement = ({ plan, items, intrusionOf, hull, shop }) => {
  if (!plan.brief.propulsion.includes('paddle')) return [];
  const parkedRod = parkedRodOf(items, plan);
  return items.flatMap((item): Raw[] => {
    // What the paddler sits on and what comes off before paddling is not in the stroke.
    if (item.placed.part.kind === 'seat' || item.placed.part.use === 'ashore') return [];
    if (parkedRod(item)) return [];
    const { nominal, band: near } = intrusionOf(item);
    const hit = nominal ?? near;
    if (!hit) return [];
    const { x, y } = item.placed.frame.origin;
    const side = sideOf(y);
    const where = side === 'centre' ? 'on the centre line' : `on the ${side} side`;
    const over = hit.floor - hull.gunwale(x);
    const band = `±${Math.round(shop.stroke.body * 100)} %`;
    return [
      {
        ...about(item),
        code: 'paddle-stroke',
        severity: nominal ? 'stop' : 'look',
        curable: true,
        tries: toOtherSide(hull, item),
        says: nominal
          ? say`${item.placed.part.name} stands ${mm(hit.by, 'up')} into the paddle stroke ${where}.`
          : say`${item.placed.part.name} is clear of the stroke, but ${mm(hit.by, 'up')} into it for a body ${band}.`,
        because:
          over >= 0
            ? say`Shaft and hands pass ${mm(over, 'down')} over the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`
            : say`Shaft and hands sweep down to ${mm(-over, 'up')} below the gunwale here; stature ${mm(plan.brief.stature)}, ${band} checked.`,
      },
    ];
  });
};
