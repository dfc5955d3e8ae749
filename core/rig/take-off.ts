import type { DraftChange } from './change';
import { entryOf } from './entry-of';
import { linesWithout, runsWithout } from './left-led';
import type { Plan } from './plan';
import type { Fitting } from './fitting';

/** Everything that goes with some fittings: itself, and whatever stands on it. */
function withRiders({ fittings }: Pick<Plan, 'fittings'>, ids: readonly string[]): Set<string> {
  const off = new Set(ids);
  for (let grew = true; grew;) {
    grew = false;
    for (const [id, f] of Object.entries(fittings))
      if (!off.has(id) && standsOnAny(f, off)) {
        off.add(id);
        grew = true;
      }
  }
  return off;
}

const standsOnAny = (f: Fitting, ids: ReadonlySet<string>): boolean =>
  [f.place, ...Object.values(f.elsewhere ?? {})].some((p) => p.on === 'fitting' && ids.has(p.fitting));

/**
 * Takes fittings off the boat, with what stands on them, their runs and lines, what they carry, and tethers made fast to them, which
 * go to the hull instead. What came aboard stays in the plan as taken off, for its holes and for who gets it back.
 *
 * @param becomes what is done with what came aboard
 */
export function takeOff(
  plan: Pick<Plan, 'fittings' | 'runs' | 'lines' | 'stowage'>,
  ids: readonly string[],
  becomes: NonNullable<Fitting['becomes']> = { is: 'removed' },
): { readonly changes: DraftChange[]; readonly off: readonly string[] } {
  const off = withRiders(plan, ids);
  const changes = [
    ...runsWithout(plan, (fitting) => off.has(fitting)),
    ...linesWithout(plan, (fitting) => off.has(fitting)),
    ...Object.entries(plan.fittings).flatMap(([item, f]): DraftChange[] =>
      !off.has(item) && f.tether?.to && off.has(f.tether.to)
        ? [{ kind: 'tetherItem', item, from: f.tether, to: { ...f.tether, to: null } }]
        : [],
    ),
    ...Object.entries(plan.stowage).flatMap(([thing, from]): DraftChange[] =>
      from.of !== undefined && off.has(from.of) ? [{ kind: 'stowThing', thing, from, to: null }] : [],
    ),
    ...[...off].flatMap((item): DraftChange[] => {
      const from = entryOf(plan.fittings, item);
      if (!from) return [];
      return from.aboard
        ? [{ kind: 'keepItem', item, from: from.becomes ?? null, to: ids.includes(item) ? becomes : { is: 'removed' } }]
        : [{ kind: 'takeOffItem', item, from }];
    }),
  ];
  return { changes, off: [...off] };
}
