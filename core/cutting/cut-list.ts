import type { Fitted } from '../drilling';
import { plateFor } from '../mounting';

/** A length of bar a rig wants. */
export interface WantedBar {
  readonly id: string;
  readonly stock: string;
  readonly says: string;
  readonly length: number;
}

/** A backing plate a rig wants, with its holes from its middle. */
export interface WantedPlate {
  readonly id: string;
  readonly says: string;
  readonly long: number;
  readonly wide: number;
  readonly holes: readonly { readonly u: number; readonly v: number; readonly bore: number }[];
}

/**
 * What must be cut for a rig: parts that come off a bar, and the plates behind its bolts. The id names the
 * fitting and the size, so that a piece that was cut and then wanted larger is wanted anew.
 *
 * @param rig how the shop calls the rig
 */
export function cutList(rig: string, owned: readonly Fitted[]): { bars: WantedBar[]; plates: WantedPlate[] } {
  const bars = owned.flatMap(({ placed, letter }): WantedBar[] => {
    const { cutFrom, name } = placed.part;
    if (!cutFrom || placed.fitting.suppliedBy !== 'shop') return [];
    return [
      {
        id: `${rig}.${placed.id}.${cutFrom.length}`,
        stock: cutFrom.stock,
        says: `${rig} ${letter}, ${name}`,
        length: cutFrom.length,
      },
    ];
  });
  const plates = owned.flatMap(({ placed, mounted, letter, holes }): WantedPlate[] => {
    if (!mounted.plate || mounted.spots.length === 0) return [];
    const {
      long,
      wide,
      holes: spots,
    } = plateFor(mounted.spots, mounted.thread?.diameter ?? 6, mounted.thread?.washerDiameter ?? 12);
    const bore = holes[0]?.bit.mm ?? 6.4;
    return [
      {
        id: `${rig}.${placed.id}.${long}x${wide}`,
        says: `${rig} ${letter}, plate`,
        long,
        wide,
        holes: spots.map((s) => ({ ...s, bore })),
      },
    ];
  });
  return { bars, plates };
}

/** What is worth keeping of an offcut (judgement), mm: a bar so long, a board so wide. */
export const KEEP = { bar: 150, board: 80 } as const;
