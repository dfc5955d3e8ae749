import { MM_PER_INCH, mm, say, type Sentence } from '../../base/units';
import { ASKED, type Asked, type SeatRange } from './seat-range';

const MISSED: Readonly<Record<Asked, string>> = {
  legs: 'the legs',
  stroke: 'the stroke',
  reach: 'what is reached for',
  trim: 'the trim',
};

/** Where a seat goes, what that leaves, and what an inch costs. */
export function seatSays(range: SeatRange): Sentence {
  const { best, bestAt, least, trials } = range;
  const left = ASKED.filter((asked) => least[asked].by > 0);
  const chosen = trials.find((t) => t.at === bestAt);
  const missed = ASKED.filter((asked) => chosen && chosen.misses[asked] > least[asked].by + 0.5);
  const where = best
    ? best.aft - best.fore < 1
      ? say`All four are at their best with the seat ${mm(best.fore)} from the bow. `
      : say`All four are at their best with the seat ${mm(best.fore, 'up')} to ${mm(best.aft, 'down')} from the bow. `
    : say`No place suits all four; ${mm(bestAt)} from the bow costs least: ${missed.map((m) => MISSED[m]).join(' and ')} could be better elsewhere. `;
  const settled = left.length ? say`No place of the seat settles ${left.map((m) => MISSED[m]).join(' and ')}. ` : say``;
  return [...where, ...settled, ...inchSays(range)];
}

function inchSays({ inch, sternInch }: SeatRange): Sentence {
  const deeper = sternInch ?? 0;
  const stern = say`${mm(MM_PER_INCH)} aft puts the stern ${mm(Math.abs(deeper))} ${deeper >= 0 ? 'deeper' : 'higher'}`;
  const more = (['legs', 'stroke', 'reach'] as const).filter((asked) => Math.abs(inch[asked]) >= 0.5);
  const told = more.flatMap((asked, i): Sentence => [
    ...say`${i === more.length - 1 ? ' and ' : ', '}misses ${MISSED[asked]} by ${mm(Math.abs(inch[asked]), 'up')} ${inch[asked] > 0 ? 'more' : 'less'}`,
  ]);
  return [...stern, ...told, '.'];
}
