import type { ShopSettings } from '../../parts/shop';
import type { Fitted } from '../../holding/fitted';
import type { HullModel } from '../../boat/hull';
import { plateCut } from './plate-cut';

/** A length of bar a rig wants. */
export interface WantedBar {
  readonly id: string;
  /** How the shop calls the rig. */
  readonly rig: string;
  readonly stock: string;
  readonly says: string;
  readonly length: number;
}

/** A backing plate a rig wants, with its outline and holes from its middle. */
export interface WantedPlate {
  readonly id: string;
  readonly rig: string;
  readonly says: string;
  readonly long: number;
  readonly wide: number;
  readonly holes: readonly { readonly u: number; readonly v: number; readonly bore: number }[];
  readonly outline: readonly (readonly [number, number])[];
}

/**
 * What must be cut for a rig: parts that come off a bar, and the plates behind its bolts. The id names the
 * fitting and the size, so that a piece that was cut and then wanted larger is wanted anew.
 *
 * @param rig how the shop calls the rig
 */
export function cutList(
  rig: string,
  owned: readonly Fitted[],
  hull: HullModel,
  shop: ShopSettings,
): { bars: WantedBar[]; plates: WantedPlate[] } {
  const bars = owned.flatMap(({ placed, letter }): WantedBar[] => {
    const {
      name,
      sold: { cutFrom },
    } = placed.part;
    if (!cutFrom || placed.fitting.suppliedBy !== 'shop') return [];
    return [
      {
        id: `${rig}.${placed.id}.${cutFrom.length}`,
        rig,
        stock: cutFrom.stock,
        says: `${rig} ${letter}, ${name}`,
        length: cutFrom.length,
      },
    ];
  });
  const plates = owned.flatMap((item): WantedPlate[] => {
    const plate = plateCut(hull, item, shop);
    if (!plate) return [];
    const { long, wide, outline, clears } = plate;
    const bore = item.holes[0]?.bit.mm ?? 6.4;
    return [
      {
        id: `${rig}.${item.placed.id}.${long}x${wide}`,
        rig,
        says: `${rig} ${item.letter}, plate${clears.length ? `, cut clear of ${clears.join(' and ')}` : ''}`,
        long,
        wide,
        holes: plate.holes.map((s) => ({ ...s, bore })),
        outline,
      },
    ];
  });
  return { bars, plates };
}

/** What is worth keeping of an offcut (judgement), mm: a bar or a wire so long, a board so wide. */
export const KEEP = { bar: 150, reel: 300, board: 80 } as const;
