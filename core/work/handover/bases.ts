import type { Fitted } from '../../holding/fitted';
import type { Part } from '../../parts/parts';

/** A base with what goes on it, one at a time or side by side: bases are counted by place, tops by use. */
export interface BaseTops {
  readonly letter: string;
  readonly name: string;
  readonly french: string;
  /** How far it stands over the boat with nothing on it, mm. */
  readonly stands: number;
  readonly tops: readonly {
    readonly letter: string;
    readonly name: string;
    readonly french: string;
    /** The sets it is on in; null where in every one. */
    readonly sets: readonly string[] | null;
  }[];
}

const highest = ({ body }: Part): number => Math.max(body.base.thickness, ...body.solids.map((s) => s.w[1]));

/**
 * Every base aboard that offers a joint, and whatever stands on studs, bow to stern, with its tops.
 * @param stands every place every fitting takes
 */
export function basesOf(stands: readonly Fitted[]): BaseTops[] {
  const owned = stands.filter((s) => s.elsewhere === '');
  return owned.flatMap((base): BaseTops[] => {
    const { placed, mounted, letter } = base;
    const { part, fitting } = placed;
    const tops = owned.filter((s) => s.placed.below?.id === placed.id);
    const studs = mounted.proud > 0;
    if (!studs && !(part.joins?.heads.length && tops.length)) return [];
    const told = (s: Fitted): BaseTops['tops'][number] => ({
      letter: s.letter,
      name: s.placed.part.name,
      french: s.placed.part.french,
      sets: s.placed.fitting.sets ?? null,
    });
    if (studs) return [{ letter, name: 'studs', french: 'goujons', stands: mounted.proud + fitting.lift, tops: [told(base)] }];
    return [{ letter, name: part.name, french: part.french, stands: highest(part) + fitting.lift, tops: tops.map(told) }];
  });
}
