import type { WireLabel } from './lists';

/** The tape of a label printer, as it is loaded: so wide and so long (common practice, no source), mm. */
export const TAPE = { width: 12, long: 8000 } as const;

/** Fed past the cutter before each label, and left at its end, mm. */
const CUT = 4;
/** What a letter of the large line and of the small ones takes at the most, mm. */
const LETTERS = { mark: 3.2, says: 1.6 } as const;

/** A label as it comes off the tape. */
export interface TapeLabel extends WireLabel {
  /** The letter of the end that it is for. */
  readonly end: string;
  /** With what is fed past the cutter, mm. */
  readonly long: number;
}

/** Labels in the order they are stuck on: both ends of a cable after each other. */
export const tapeLabels = (labels: readonly WireLabel[]): TapeLabel[] =>
  labels
    .map((l) => ({
      ...l,
      long:
        2 * CUT +
        Math.ceil(Math.max(LETTERS.mark * l.mark.length + LETTERS.says * 7, ...l.says.map((line) => LETTERS.says * line.length))),
    }))
    .flatMap((l) => l.ends.map((end) => ({ ...l, end })));

/** How many whole labels a tape of so many millimetres still prints, and what is left of it. */
export function printOn(left: number, labels: readonly TapeLabel[]): { readonly printed: number; readonly left: number } {
  let [printed, rest] = [0, left];
  for (const { long } of labels) {
    if (long > rest) break;
    rest -= long;
    printed++;
  }
  return { printed, left: rest };
}
