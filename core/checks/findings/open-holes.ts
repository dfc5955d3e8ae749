import { isCameHole, type LedgerHole, type Plan } from '../../rig';
import { mm, say } from '../../base/units';
import { check } from './check';
import type { Raw } from './finding';

const xOf = (hole: LedgerHole): number => hole.at?.x ?? 0;

const shared = (hole: LedgerHole): Pick<Raw, 'x' | 'step' | 'code' | 'severity' | 'fixable'> => ({
  ...{ x: xOf(hole), step: 'drill', code: 'open-hole', fixable: false },
});

/** Who made a hole, as far as is known. */
const madeBy = ({ found, by, rig }: LedgerHole, plan: Pick<Plan, 'id'>): string =>
  found ? `Found on the boat by ${by}: ${found}` : `Drilled by ${by}${rig === plan.id ? '' : ', for an earlier rig'}`;

/** The holes of what came with the boat and left its place: one cause, said once. */
function ofWhatLeft(holes: readonly LedgerHole[]): Raw[] {
  const byThing = new Map<string, LedgerHole[]>();
  for (const hole of holes) {
    const thing = hole.fact.slice(0, hole.fact.lastIndexOf('.'));
    byThing.set(thing, [...(byThing.get(thing) ?? []), hole]);
  }
  return [...byThing].flatMap(([thing, [first, ...more]]): Raw[] => {
    if (!first) return [];
    const count = 1 + more.length;
    const of = first.label.replace(/ \d+$/, '');
    const last = more.at(-1) ?? first;
    const { measured } = first;
    return [
      {
        ...shared(first),
        where: thing,
        letter: '',
        says:
          count === 1
            ? say`The hole of ${of} stands open ${mm(measured.reading)} from the ${measured.datum}: nothing uses it.`
            : say`The ${count} holes of ${of} stand open, ${mm(measured.reading)} to ${mm(last.measured.reading)} from the ${measured.datum}: nothing uses them.`,
        because: say`Made by ${first.by}. Plug them and note with what, or bring a fitting back to them.`,
      },
    ];
  });
}

/** Holes in this hull that nothing uses and nobody plugged, from this rig or an earlier one. */
export const openHoles = check({
  about: 'rig',
  finds: {
    'open-hole': { called: 'Hole left open', severity: 'look', since: 1 },
  },
  judge: ({ oldHoles, plan }) => {
    const open = oldHoles.filter((hole) => hole.plugged === null);
    const came = open.filter((hole) => isCameHole(hole.fact));
    return [
      ...open
        .filter((hole) => !isCameHole(hole.fact))
        .map((hole): Raw => ({
          ...shared(hole),
          where: hole.id,
          letter: hole.label,
          says: say`${hole.label} stands open ${mm(hole.measured.reading)} from the ${hole.measured.datum}: nothing uses it.`,
          because: say`${madeBy(hole, plan)}. Plug it and note with what, or bring a fitting back to it.`,
        })),
      ...ofWhatLeft([...came].sort((a, b) => xOf(a) - xOf(b))),
    ];
  },
});
