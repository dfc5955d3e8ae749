import { adviceSetting, mountAdvice, strengthOf } from '../advice';
import type { Part } from '../../parts/parts';
import type { Fitted } from '../../holding/fitted';
import { HOLD_WORDS, workingLoad } from '../../holding/mounting';
import { asHung, kg, mm, say, over, under } from '../../base/units';
import { check } from './check';
import { about, aboutHull, alone, type Judged, nameOf, type Raw, type Try } from './finding';

/** Other ways that bear what this one does not, best first. */
function betterWays(judged: Judged, item: Fitted): Try[] {
  const { hull, plan, shop, ledger, openings, oldHoles } = judged;
  const { fitting, id } = item.placed;
  const setting = adviceSetting(item, plan, shop, { ledger, aboard: { openings }, drilling: { oldHoles } });
  return mountAdvice(hull, item.placed, setting)
    .filter((a) => a.fits && (a.hold !== fitting.mount.hold || a.plate !== fitting.mount.plate))
    .slice(0, 3)
    .map((a) => ({
      says: say`Hold it by ${HOLD_WORDS[a.hold]}${a.plate && a.hold === 'through' ? ' on a plate' : ''}`,
      changes: [{ kind: 'chooseMount', item: id, from: fitting.mount, to: { hold: a.hold, plate: a.plate, reason: '' } }],
    }));
}

/** A way of holding that does not bear what the use of the part asks, or rocks on a soft wall. */
export const weakMount = check({
  about: 'rig',
  finds: {
    'weak-mount': { called: 'Mount weak for its load', severity: ['note', 'stop'], since: 3 },
    'base-rocks': { called: 'Base rocks on the deck', severity: ['note', 'look'], since: 3 },
  },
  judge: alone((item, { hull, shop }): Raw[] => {
    const { placed, mounted } = item;
    if (mounted.cannot) return [];
    const strength = strengthOf(hull, placed, mounted, shop);
    if (!strength) return [];
    const { newtons, lever } = workingLoad(placed.part);
    const asks = say`Its use pulls with ${kg(asHung(newtons))} at ${mm(lever + placed.fitting.lift)} over its base, ${shop.holding.shock} times that with shock.`;
    const { reason } = placed.fitting.mount;
    const weak = strength.factor < 1;
    const rocks = strength.rocks !== null && strength.rocks > shop.holding.rock;
    if (!weak && !rocks) return [];
    return [
      {
        ...about(item),
        code: weak ? 'weak-mount' : 'base-rocks',
        // A rigger who says why has the last word; it stays listed.
        severity: reason ? 'note' : weak ? 'stop' : 'look',
        measure: weak ? under(strength.factor, 'times', 1) : over(strength.rocks ?? 0, '°', shop.holding.rock),
        says: weak
          ? say`${nameOf(item)} held by ${HOLD_WORDS[mounted.hold]} bears ${strength.factor.toFixed(1)} of what its use asks: ${strength.rules}.`
          : say`${nameOf(item)} rocks ${Math.ceil(strength.rocks ?? 0)}° under its working pull: its base is small for this wall.`,
        because: reason ? [...asks, ` Held so all the same: ${reason}.`] : asks,
        fixable: !reason,
        tries: reason ? [] : (judged) => betterWays(judged, item),
      },
    ];
  }, 'owned'),
});

/** What touches stainless bolts in salt water and eats away. */
const SOFT_METALS: readonly Part['holding']['metal'][] = ['aluminium', 'brass'];

/** Aluminium and stainless together near salt. */
export const mixedMetals = check({
  about: 'rig',
  finds: {
    'mixed-metals': { called: 'Unlike metals', severity: 'look', since: 3 },
  },
  judge: ({ owned, plan }) => {
    const salt = plan.brief.waters.some((w) => w === 'inshore' || w === 'offshore');
    if (!salt) return [];
    return owned.flatMap((item): Raw[] => {
      const { part } = item.placed;
      const { hold } = item.mounted;
      const rivets = hold === 'rivet' && part.holding.metal === 'stainless';
      const bolts = ['through', 'insert', 'track', 'pulled plate'].includes(hold) && SOFT_METALS.includes(part.holding.metal);
      if (!rivets && !bolts) return [];
      return [
        {
          ...about(item),
          code: 'mixed-metals',
          says: rivets
            ? say`Aluminium rivets hold ${nameOf(item)} of stainless steel, near salt water.`
            : say`Stainless bolts hold ${nameOf(item)} of ${part.holding.metal ?? ''}, near salt water.`,
          because: rivets
            ? say`The rivets corrode. Stainless rivets, or bolts of 316 steel, and sealant between the metals.`
            : say`The ${part.holding.metal ?? ''} corrodes. Bolts of 316 steel, a nylon washer and sealant between the metals, rinsed after use.`,
        },
      ];
    });
  },
});

/** Threads of both families on one rig: one wrench too many at the ramp. */
export const threadFamilies = check({
  about: 'rig',
  finds: {
    'thread-families': { called: 'Inch and metric threads together', severity: 'note', since: 3 },
  },
  judge: ({ owned, hull }) => {
    const named = (family: 'metric' | 'inch'): Fitted[] =>
      owned.filter((i) => !i.mounted.there && i.mounted.thread?.family === family && i.mounted.count > 0);
    const [metric, inch] = [named('metric'), named('inch')];
    const few = metric.length <= inch.length ? metric : inch;
    if (metric.length === 0 || inch.length === 0) return [];
    return [
      {
        ...aboutHull(hull, few[0]?.placed.frame.origin.x),
        code: 'thread-families',
        says: say`Inch and metric threads on one rig: ${few.map((i) => i.letter).join(', ')} ${few.length === 1 ? 'is' : 'are'} the odd ${few.length === 1 ? 'one' : 'ones'}.`,
        because: say`Tracks and inserts bring their own thread; where there is a choice, keep one family.`,
      },
    ];
  },
});

/** Work on a part before it goes on, such as opening its holes to the track bolt. */
export const workedFirst = check({
  about: 'rig',
  finds: {
    'worked-first': { called: 'Holes of a part to be worked first', severity: 'look', since: 3 },
  },
  judge: ({ owned }) =>
    owned.flatMap((item): Raw[] =>
      item.mounted.first
        ? [
            {
              ...about(item),
              step: 'drill',
              code: 'worked-first',
              says: say`${nameOf(item)}: ${item.mounted.first}`,
              because: say`Its holes as sold are for another fastener.`,
            },
          ]
        : [],
    ),
});
