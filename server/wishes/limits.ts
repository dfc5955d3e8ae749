/** The most one sheet may hold; an owner's wish list has tens of lines. */
export const SHEET = { rows: 500, columns: 40, cell: 300, inflated: 40_000_000, seconds: 20, memoryMb: 192 } as const;

export type SheetAnswer =
  { readonly ok: true; readonly cells: string[][]; readonly dropped: number } | { readonly ok: false; readonly says: string };
