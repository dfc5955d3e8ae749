import type { PathIn } from './path-in';
import type { Hazard, HullModel, Stock } from '@plain-cleat/core/boat/hull';

/** What of the hull a column names: a room inside, what moves, a track, a rail. */
export const NAMED = { room: 'spaces', mover: 'moving', track: 'tracks', rail: 'rails' } as const satisfies Readonly<
  Record<string, keyof HullModel>
>;
export type Named = keyof typeof NAMED;

/** A column of a list of things on the hull. */
export interface Column<Key extends string = string> {
  readonly key: Key;
  readonly name: string;
  /** Rows that have it; all when left out. */
  readonly when?: (row: Row) => boolean;
  readonly kind: 'text' | 'words' | 'length' | 'number' | 'yes' | 'openings' | Named | 'part' | readonly string[];
  /** It may be left out; what stands for it then, in a word. */
  readonly else?: string;
}
export type Row = Readonly<Record<string, unknown>>;

/** One list of things on the hull: what it is called, its columns, and its rows out of and into the model. */
export interface FeatureList {
  readonly key: keyof HullModel;
  readonly name: string;
  readonly one: string;
  readonly columns: readonly Column[];
  rows(model: Omit<HullModel, 'stations'>): readonly Row[];
  /** The model with these rows in place of those it had. */
  into(model: HullModel, rows: readonly Row[]): HullModel;
  fresh(n: number): Row;
}

/** A column of a length. */
export const at = <Key extends string>(key: Key, name: string): Column<Key> => ({ key, name, kind: 'length' });
/** The columns of an area of the deck, and a usual one. */
export const AREA = [at('fore', 'from'), at('aft', 'to'), at('port', 'port edge'), at('starboard', 'starboard edge')];
export const named: Column<'name'> = { key: 'name', name: 'name', kind: 'text' };
export const area = { fore: 1000, aft: 1200, port: -100, starboard: 100 };

/** The columns of a box, and a usual one. */
export const BOX = [
  at('from.x', 'from'),
  at('to.x', 'to'),
  at('from.y', 'port'),
  at('to.y', 'starboard'),
  at('from.z', 'bottom'),
  at('to.z', 'top'),
];
type Span = readonly [from: number, to: number];

/** A box from here to there along, across and up. */
export const box = ([x0, x1]: Span, [y0, y1]: Span, [z0, z1]: Span): Row => ({
  'from.x': x0,
  'to.x': x1,
  'from.y': y0,
  'to.y': y1,
  'from.z': z0,
  'to.z': z1,
});

/** The column of what a thing moves with. */
export const rides: Column<'rides'> = { key: 'rides', name: 'moves with', kind: 'mover', else: 'nothing' };

/** Flat rows of nested things, and back: `slot.opening` is a column of a track. */
export const flat = (rows: readonly object[]): Row[] =>
  rows.map((r) =>
    Object.fromEntries(
      Object.entries(r).flatMap(([k, v]) =>
        typeof v === 'object' && v !== null && !Array.isArray(v)
          ? Object.entries(v as object).map(([kk, vv]) => [`${k}.${kk}`, vv as unknown])
          : [[k, v as unknown]],
      ),
    ),
  );

function nested(row: Row): Row {
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(row)) {
    const [a = '', b] = key.split('.');
    if (b === undefined) out[a] = value;
    else out[a] = { ...(out[a] as object | undefined), [b]: value };
  }
  return out;
}

/** A row as it stands in the model: what is left out is not there. */
export const filled = (row: Row): Record<string, unknown> =>
  nested(Object.fromEntries(Object.entries(row).filter(([, v]) => v !== undefined && v !== null && v !== '')));

export const STOCK_ON = ['deck', 'track', 'rail', 'side'] as const;
/** Stock that the list shows: what stands in rooms, inserts and scuppers is entered where stock is taken. */
export const isListed = ({ place }: Stock): boolean => (STOCK_ON as readonly string[]).includes(place.on);

/** What each kind of place is told by. */
const TOLD_BY: Readonly<Record<(typeof STOCK_ON)[number], readonly string[]>> = {
  deck: ['x', 'y', 'heading'],
  track: ['track', 'x', 'heading'],
  rail: ['rail', 'x', 'heading'],
  side: ['side', 'x', 'down'],
};

/** A row of stock with just what its kind of place is told by, and the first of what there is where none was said. */
export function standing(row: Row, { tracks, rails }: HullModel): Row {
  const on = row['place.on'] as keyof typeof TOLD_BY;
  const usual: Row = {
    'place.track': tracks[0]?.id,
    'place.rail': rails?.[0]?.id,
    'place.side': 'port',
    'place.x': 1000,
    'place.y': 0,
    'place.down': 60,
    'place.heading': 0,
  };
  const told = TOLD_BY[on].map((k): [string, unknown] => [`place.${k}`, row[`place.${k}`] ?? usual[`place.${k}`]]);
  return { id: row['id'], part: row['part'], hold: row['hold'], 'place.on': on, ...Object.fromEntries(told) };
}

/** A hatch with a hinge has a lid that opens so far; one without lifts off whole. */
export function withLid(row: Row): Record<string, unknown> {
  if (row['lid.hinge']) return filled({ 'lid.turns': 100, 'lid.thick': 15, ...row });
  return filled(Object.fromEntries(Object.entries(row).filter(([k]) => !k.startsWith('lid.'))));
}

type Tube = Extract<Hazard, { shape: 'tube' }>;
/** A tube is typed by so many of its bends; the rest of a longer one is kept with the last. */
export const BENDS = [1, 2, 3, 4] as const;
export type BendKey = `${(typeof BENDS)[number]}.${'x' | 'y' | 'z'}`;
/** Two ends there are always. */
export const optional = (n: number): Pick<Column, 'else'> => (n > 2 ? { else: '–' } : {});
/** The tubes among what is inside. */
export const tubesOf = (model: Pick<HullModel, 'hazards'>): Tube[] => model.hazards.filter((h) => h.shape === 'tube');
export const bendsOf = ({ path, ...rest }: Tube): Row => ({
  ...rest,
  ...Object.fromEntries(
    BENDS.flatMap((n) => {
      const p = path[n - 1];
      return p ? [[`${n}.x`, p.x] as const, [`${n}.y`, p.y] as const, [`${n}.z`, p.z] as const] : [];
    }),
  ),
  more: path.slice(BENDS.length),
});
export function tubeOf({ more, ...row }: Row): Tube {
  const path = BENDS.flatMap((n) => {
    const [x, y, z] = [row[`${n}.x`], row[`${n}.y`], row[`${n}.z`]];
    return typeof x === 'number' && typeof y === 'number' && typeof z === 'number' ? [{ x, y, z }] : [];
  });
  const rest = Object.fromEntries(Object.entries(row).filter(([k]) => !/^\d\./.test(k)));
  return { ...rest, path: [...path, ...((more as Tube['path'] | undefined) ?? [])] } as unknown as Tube;
}

/** One of a list of the model. */
type One<K extends keyof HullModel> = NonNullable<HullModel[K]> extends readonly (infer T)[] ? T : never;

/**
 * A list whose rows are those of the model.
 * @typeParam More columns of rows that are flatter than what they stand for
 */
export const list = <K extends keyof HullModel, More extends string = never>(
  key: K,
  name: string,
  one: string,
  columns: readonly Column<PathIn<One<K>> | More>[],
  fresh: (id: string) => Row,
): FeatureList => ({
  key,
  name,
  one,
  columns,
  rows: (model) => flat(((model as HullModel)[key] as readonly object[] | undefined) ?? []),
  into: (model, rows) => ({ ...model, [key]: rows.map(filled) }),
  fresh: (n) => fresh(`${one.replace(/\W+/g, '-')}-${n}`),
});
