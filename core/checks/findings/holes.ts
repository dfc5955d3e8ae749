import { toleranceBudget } from '../../holding/drilling';
import { waterAt } from '../../water/float';
import { distance, mm, say, over, under } from '../../base/units';
import { check } from './check';
import { about, alone, type Raw } from './finding';

/** A hole too near something inside the hull, tolerance budget added. */
export const holeNearHazard = check({
  about: 'rig',
  finds: {
    'hole-near-hazard': { called: 'Hole close to what lies inside', severity: ['look', 'stop'], since: 1 },
  },
  judge: alone((item, { shop }) =>
    item.holes.flatMap((hole): Raw[] => {
      const { nearest, wanted } = hole.behind;
      if (!nearest || nearest.clear >= wanted) return [];
      return [
        {
          ...about(item),
          step: 'drill',
          x: hole.at.x,
          code: 'hole-near-hazard',
          detail: hole.id,
          severity: nearest.clear <= toleranceBudget(shop.drilling) ? 'stop' : 'look',
          measure: under(nearest.clear, 'mm', wanted),
          says:
            nearest.clear <= 0
              ? say`${hole.label} goes into the ${nearest.name}.`
              : say`${hole.label} passes ${mm(nearest.clear, 'down')} from the ${nearest.name}; ${mm(wanted, 'up')} wanted.`,
          because: say`Bit, bolt and nut need ${mm(shop.drilling.depthBehind)} behind; tape, hull and drill can be off by ${mm(toleranceBudget(shop.drilling), 'up')} together.`,
        },
      ];
    }),
  ),
});

/** A hole under the loaded waterline: only a manager may accept it. */
export const holeUnderWater = check({
  about: 'rig',
  finds: {
    'hole-under-water': {
      called: 'Hole under the waterline',
      severity: 'stop',
      acceptedBy: 'manager',
      decides: 'the manager',
      since: 1,
    },
  },
  judge: ({ items, float }) =>
    items.flatMap((item) =>
      item.holes.flatMap((hole): Raw[] => {
        // Through a bulkhead no water of outside comes.
        if (hole.up !== null) return [];
        const water = waterAt(float, hole.at.x);
        const deep = water - hole.at.z;
        if (deep <= 0) return [];
        return [
          {
            ...about(item),
            step: 'drill',
            x: hole.at.x,
            code: 'hole-under-water',
            detail: hole.id,
            measure: over(deep, 'mm'),
            says: say`${hole.label} lies ${mm(deep, 'up')} under the loaded waterline.`,
            because: say`The water stands ${mm(water)} over the keel here, with paddler and gear; an estimate.`,
          },
        ];
      }),
    ),
});

/** Nothing gets to the nut behind; said once a fitting. */
export const nothingReaches = check({
  about: 'rig',
  finds: {
    'nothing-reaches': { called: 'Nothing reaches behind the hole', severity: 'stop', since: 1 },
  },
  judge: alone((item): Raw[] => {
    const blocked = item.holes.filter((h) => h.behind.blocked !== null);
    const [first] = blocked;
    if (!first) return [];
    const holes = blocked.map((h) => h.label).join(', ');
    return [
      {
        ...about(item),
        step: 'drill',
        x: first.at.x,
        code: 'nothing-reaches',
        measure: over(blocked.length, 'count'),
        says: say`Nothing reaches behind ${holes}: no hand to hold the nut.`,
        because: say`${first.behind.blocked ?? []}. Rivets or a track need no hand.`,
      },
    ];
  }),
});

/** A hole that was drilled elsewhere than planned, beyond the tolerance budget. */
export const drilledElsewhere = check({
  about: 'rig',
  finds: {
    'drilled-elsewhere': { called: 'Drilled elsewhere than planned', severity: 'look', decides: 'the manager', since: 1 },
  },
  judge: alone((item, { shop }) =>
    item.holes.flatMap((hole): Raw[] => {
      const at = hole.drilled?.at;
      if (!at) return [];
      const off = distance(at, hole.at);
      if (off <= Math.max(1, toleranceBudget(shop.drilling))) return [];
      return [
        {
          ...about(item),
          step: 'drill',
          x: at.x,
          code: 'drilled-elsewhere',
          detail: hole.id,
          measure: over(off, 'mm', toleranceBudget(shop.drilling)),
          says: say`${hole.label} was drilled ${mm(off, 'up')} from where the plan has it.`,
          because: say`A hole is permanent: move the fitting to it, or plug it and drill anew.`,
        },
      ];
    }),
  ),
});

/** Holes against the brief's drill policy. */
export const drillPolicy = check({
  about: 'rig',
  finds: {
    'fabric-drilled': { called: 'Drilled into fabric', severity: 'stop', acceptedBy: 'nobody', since: 4 },
    'drill-policy': { called: 'Drilled against the owner’s wish', severity: 'stop', decides: 'the owner', since: 1 },
  },
  judge: ({ items, plan, hull }) => {
    const soft = hull.model.material === 'pvc fabric';
    if (plan.brief.holes !== 'none' && !soft) return [];
    return items
      .filter((item) => item.holes.length > 0)
      .map((item): Raw => ({
        ...about(item),
        code: soft ? 'fabric-drilled' : 'drill-policy',
        measure: over(item.holes.length, 'count'),
        says: say`${item.placed.part.name} makes ${item.holes.length} new ${item.holes.length === 1 ? 'hole' : 'holes'}.`,
        because: soft ? say`Fabric is not drilled.` : say`The brief says no new holes.`,
      }));
  },
});
