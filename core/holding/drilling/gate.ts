import type { ShopSettings } from '../../parts/shop';
import { findDatum, knownPlaces, reading, sumFaults, type Compared, type HullSurface } from '../../boat/hull';
import type { Ledger } from '../../rig';
import { mm, say, type Sentence } from '../../base/units';

/** One thing that must be true before the first hole. */
interface GateItem {
  readonly id: 'distances' | 'hull' | 'sum' | 'agreed';
  readonly done: boolean;
  readonly says: Sentence;
}

/** A distance to measure on the boat: what the drawing says, and what was measured. */
export interface ToMeasure {
  readonly from: string;
  readonly to: string;
  readonly fromName: string;
  readonly toName: string;
  /** With a tape pulled taut, mm. */
  readonly expected: number;
  readonly measured: Compared | null;
}

/** Whether this boat may be drilled, and what is wanting. */
export interface DrillGate {
  readonly open: boolean;
  readonly wants: readonly GateItem[];
  readonly distances: readonly ToMeasure[];
}

/**
 * What stands before the first hole: two known distances measured on this very boat and typed, both within
 * what the shop allows (they correct the datum; beyond it the hull is measured anew), and the owner's
 * agreement to the taped layout where the shop asks for it.
 *
 * @param holes how many holes the plan still has to make; a plan without any wants nothing
 */
export function drillGate(hull: HullSurface, ledger: Ledger, shop: ShopSettings, holes: number): DrillGate {
  const { known } = ledger.correction;
  const { knownWithin, agree } = shop.drilling;
  const asked = knownPlaces(hull);
  const nameOf = (id: string): string => findDatum(hull, id).name;
  const others = known.filter((k) => !asked.some((a) => a.from === k.from && a.to === k.to));
  const distances = [...asked, ...others].map(({ from, to }): ToMeasure => ({
    from,
    to,
    fromName: nameOf(from),
    toName: nameOf(to),
    expected: reading(hull, findDatum(hull, from), 'taut', findDatum(hull, to).at),
    measured: known.find((k) => k.from === from && k.to === to) ?? null,
  }));
  const off = known.filter((k) => Math.abs(k.off) > knownWithin);
  const wants: GateItem[] = [
    {
      id: 'distances',
      done: known.length >= asked.length,
      says: say`Measure ${asked.length} known distances on this boat: ${Math.min(known.length, asked.length)} of ${asked.length} typed.`,
    },
  ];
  if (known.length)
    wants.push({
      id: 'hull',
      done: off.length === 0,
      says: off.length
        ? say`${off.map((k) => nameOf(k.to)).join(', ')}: this boat is not as drawn. Measure the hull anew.`
        : say`This boat is as drawn, within what the shop allows.`,
    });
  const [misses] = sumFaults(known, 3 * Math.max(1, shop.drilling.tape));
  if (misses)
    wants.push({
      id: 'sum',
      done: false,
      says: say`${nameOf(misses.to)}: from bow and from stern it reads ${mm(Math.abs(misses.off), 'up')} ${misses.off > 0 ? 'over' : 'under'} the length. One of the two is misread.`,
    });
  if (agree)
    wants.push({
      id: 'agreed',
      done: ledger.agreed !== null,
      says: ledger.agreed ? say`${ledger.agreed.name} agreed to the taped layout.` : say`The owner agrees to the taped layout.`,
    });
  return { open: holes === 0 || ledger.passed.has('drill') || wants.every((w) => w.done), wants, distances };
}

/** Whether a printed check bar is true enough for its template to be used. */
export const barTrue = (bar: '100 mm' | '4 in', measured: number, within: number): boolean =>
  Math.abs(measured - (bar === '4 in' ? 101.6 : 100)) <= within;
