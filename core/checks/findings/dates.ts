import { daysBetween, say, over } from '../../base/units';
import { check } from './check';
import { about, type Raw } from './finding';

/** A part that arrives after the promise. */
export const lateParts = check({
  about: 'rig',
  finds: {
    'late-part': { called: 'Part comes too late', severity: 'look', since: 1 },
  },
  judge: ({ items, plan, asOf }) => {
    const { promised } = plan;
    if (!promised) return [];
    return items.flatMap((item): Raw[] => {
      const { part, fitting } = item.placed;
      const late = part.sold.leadDays - daysBetween(asOf, promised);
      if (fitting.suppliedBy !== 'shop' || late <= 0 || part.sold.leadDays === 0 || daysBetween(asOf, promised) < 0) return [];
      return [
        {
          ...about(item),
          step: 'price',
          code: 'late-part',
          measure: over(late, 'days', 0),
          says: say`${part.name} takes ${part.sold.leadDays} days to come: ${late} past the promise.`,
          because: say`Ordered today from ${part.sold.supplier}; promised for ${promised}.`,
        },
      ];
    });
  },
});
