import type { Hazard, HullModel, Stock } from '@plain-cleat/core/hull';
import { HOLDS } from '@plain-cleat/core/parts';

/** What of the hull a column names: a room inside, what moves, a track, a rail. */
export const NAMED = { room: 'spaces', mover: 'moving', track: 'tracks', rail: 'rails' } as const satisfies Readonly<
  Record<string, keyof HullModel>
>;
export type Named = keyof typeof NAMED;

/** A column of a list of things on the hull. */
export interface Column {
  readonly key: string;
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

const at = (key: string, name: string): Column => ({ key, name, kind: 'length' });
const AREA = [at('fore', 'from'), at('aft', 'to'), at('port', 'port edge'), at('starboard', 'starboard edge')];
const named: Column = { key: 'name', name: 'name', kind: 'text' };
const area = { fore: 1000, aft: 1200, port: -100, starboard: 100 };

const BOX = [
  at('from.x', 'from'),
  at('to.x', 'to'),
  at('from.y', 'port'),
  at('to.y', 'starboard'),
  at('from.z', 'bottom'),
  at('to.z', 'top'),
];
const box = (x0: number, x1: number, y0: number, y1: number, z0: number, z1: number): Row => ({
  'from.x': x0,
  'to.x': x1,
  'from.y': y0,
  'to.y': y1,
  'from.z': z0,
  'to.z': z1,
});

const rides: Column = { key: 'rides', name: 'moves with', kind: 'mover', else: 'nothing' };

const DECKS = ['foredeck', 'cockpit', 'seat', 'tank well', 'stern deck', 'side deck', 'plate'] as const;

/** Flat rows of nested things, and back: `slot.opening` is a column of a track. */
const flat = (rows: readonly object[]): Row[] =>
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
const filled = (row: Row): Record<string, unknown> =>
  nested(Object.fromEntries(Object.entries(row).filter(([, v]) => v !== undefined && v !== null && v !== '')));

const STOCK_ON = ['deck', 'track', 'rail', 'side'] as const;
const isListed = ({ place }: Stock): boolean => (STOCK_ON as readonly string[]).includes(place.on);

/** What each kind of place is told by. */
const TOLD_BY: Readonly<Record<(typeof STOCK_ON)[number], readonly string[]>> = {
  deck: ['x', 'y', 'heading'],
  track: ['track', 'x', 'heading'],
  rail: ['rail', 'x', 'heading'],
  side: ['side', 'x', 'down'],
};

/** A row of stock with just what its kind of place is told by, and the first of what there is where none was said. */
function standing(row: Row, { tracks, rails }: HullModel): Row {
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
function withLid(row: Row): Record<string, unknown> {
  if (row['lid.hinge']) return filled({ 'lid.turns': 100, 'lid.thick': 15, ...row });
  return filled(Object.fromEntries(Object.entries(row).filter(([k]) => !k.startsWith('lid.'))));
}

type Tube = Extract<Hazard, { shape: 'tube' }>;
/** A tube is typed by so many of its bends; the rest of a longer one is kept with the last. */
const BENDS = [1, 2, 3, 4] as const;
/** Two ends there are always. */
const optional = (n: number): Partial<Column> => (n > 2 ? { else: '–' } : {});
const tubesOf = (model: Pick<HullModel, 'hazards'>): Tube[] => model.hazards.filter((h) => h.shape === 'tube');
const bendsOf = ({ path, ...rest }: Tube): Row => ({
  ...rest,
  ...Object.fromEntries(
    BENDS.flatMap((n) => {
      const p = path[n - 1];
      return p ? [[`${n}.x`, p.x] as const, [`${n}.y`, p.y] as const, [`${n}.z`, p.z] as const] : [];
    }),
  ),
  more: path.slice(BENDS.length),
});
function tubeOf({ more, ...row }: Row): Tube {
  const path = BENDS.flatMap((n) => {
    const [x, y, z] = [row[`${n}.x`], row[`${n}.y`], row[`${n}.z`]];
    return typeof x === 'number' && typeof y === 'number' && typeof z === 'number' ? [{ x, y, z }] : [];
  });
  const rest = Object.fromEntries(Object.entries(row).filter(([k]) => !/^\d\./.test(k)));
  return { ...rest, path: [...path, ...((more as Tube['path'] | undefined) ?? [])] } as unknown as Tube;
}

const list = (
  key: keyof HullModel,
  name: string,
  one: string,
  columns: readonly Column[],
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

export const FEATURES: readonly FeatureList[] = [
  list(
    'decks',
    'Deck areas',
    'area',
    [
      named,
      { key: 'kind', name: 'kind', kind: DECKS },
      ...AREA,
      at('height', 'height'),
      at('rise', 'rise aft'),
      at('wall', 'wall'),
    ],
    (id) => ({
      id,
      name: 'deck area',
      kind: 'side deck',
      ...area,
      height: 300,
      rise: 0,
      wall: 5,
    }),
  ),
  {
    ...list(
      'hatches',
      'Hatches',
      'hatch',
      [
        named,
        ...AREA,
        at('height', 'height'),
        at('opens', 'clear opening'),
        { key: 'shape', name: 'shape', kind: ['rectangle', 'circle', 'stadium'], else: 'rectangle' },
        { key: 'lid.hinge', name: 'lid hinged', kind: ['', 'fore', 'aft', 'port', 'starboard'] },
        { key: 'lid.turns', name: 'opens, °', kind: 'number' },
        at('lid.thick', 'lid over deck'),
        { key: 'lid.strutKg', name: 'strut lifts, kg', kind: 'number' },
      ],
      (id) => ({ id, name: 'hatch', ...area, height: 300, opens: 150 }),
    ),
    into: (model, rows) => ({ ...model, hatches: rows.map(withLid) as unknown as HullModel['hatches'] }),
  },
  list(
    'tracks',
    'Tracks',
    'track',
    [
      named,
      { key: 'side', name: 'side', kind: ['port', 'starboard'] },
      at('fore', 'from'),
      at('aft', 'to'),
      at('y', 'off centre'),
      at('height', 'height'),
      at('slot.opening', 'slot opens'),
      at('slot.depth', 'slot deep'),
    ],
    (id) => ({
      id,
      name: 'track',
      side: 'port',
      fore: 1200,
      aft: 1600,
      y: -350,
      height: 300,
      'slot.opening': 8.2,
      'slot.depth': 11,
      'slot.thread': 'M6',
    }),
  ),
  list(
    'inserts',
    'Inserts',
    'insert',
    [
      named,
      at('x', 'aft of bow'),
      at('y', 'off centre'),
      at('height', 'height'),
      { key: 'thread', name: 'thread', kind: 'text' },
      at('depth', 'deep'),
    ],
    (id) => ({
      id,
      name: 'insert',
      x: 1000,
      y: 0,
      height: 310,
      thread: '1/4-20',
      depth: 16,
    }),
  ),
  list('scuppers', 'Scuppers', 'scupper', [at('x', 'aft of bow'), at('y', 'off centre'), at('diameter', 'diameter')], (id) => ({
    id,
    x: 1500,
    y: 180,
    diameter: 38,
  })),
  list(
    'spaces',
    'Rooms inside',
    'room',
    [
      named,
      ...AREA,
      { ...at('floor', 'floor'), else: 'hull' },
      { ...at('top', 'ceiling'), else: 'deck' },
      { key: 'moulded', name: 'walls of its own', kind: 'yes' },
      { key: 'hatches', name: 'opens by', kind: 'openings' },
      { key: 'litres', name: 'litres', kind: 'number', else: 'by size' },
      { key: 'dry', name: 'dry', kind: 'yes' },
      { key: 'vented', name: 'aired', kind: 'yes' },
    ],
    (id) => ({ id, name: 'hold', fore: 400, aft: 900, port: -250, starboard: 250, hatches: [], dry: true }),
  ),
  list('walls', 'Wall by zone', 'zone', [named, ...AREA, at('wall', 'wall')], (id) => ({
    id,
    name: 'thick zone',
    ...area,
    wall: 7,
  })),
  list('rails', 'Rails', 'rail', [named, ...BOX, at('diameter', 'diameter'), rides], (id) => ({
    id,
    name: 'side rail',
    ...box(2600, 3000, 380, 380, 330, 330),
    diameter: 25,
  })),
  list(
    'plates',
    'Pre-drilled plates',
    'plate',
    [
      named,
      at('x', 'aft of bow'),
      at('y', 'off centre'),
      at('height', 'height'),
      { key: 'thread', name: 'thread', kind: 'text' },
    ],
    (id) => ({
      id,
      name: 'plate',
      x: 200,
      y: 0,
      height: 370,
      thread: 'M8',
      holes: [
        { u: -90, v: -70 },
        { u: -90, v: 70 },
        { u: 90, v: -70 },
        { u: 90, v: 70 },
      ],
    }),
  ),
  {
    ...list(
      'hazards',
      'Behind the wall',
      'hazard',
      [named, { key: 'kind', name: 'kind', kind: ['foam', 'drive well', 'bulkhead'] }, ...BOX],
      (id) => ({ id, name: 'foam block', kind: 'foam', shape: 'box', ...box(1000, 1200, -100, 100, 20, 200) }),
    ),
    rows: (model) => flat(model.hazards.filter((h) => h.shape === 'box')),
    into: (model, rows) => ({ ...model, hazards: [...(rows.map(filled) as Hazard[]), ...tubesOf(model)] }),
  },
  {
    ...list(
      'hazards',
      'Tubes and cables inside',
      'tube',
      [
        named,
        { key: 'kind', name: 'kind', kind: ['rudder tube', 'cable', 'drain tube'] },
        at('radius', 'half its thickness'),
        ...BENDS.flatMap((n) => [
          { ...at(`${n}.x`, `bend ${n}, aft`), ...optional(n) },
          { ...at(`${n}.y`, 'off centre'), ...optional(n) },
          { ...at(`${n}.z`, 'height'), ...optional(n) },
        ]),
      ],
      (id) => ({
        ...{ id, name: 'rudder tube, port', kind: 'rudder tube', shape: 'tube', radius: 8 },
        ...{ '1.x': 1500, '1.y': -250, '1.z': 225, '2.x': 3200, '2.y': -150, '2.z': 260 },
      }),
    ),
    rows: (model) => tubesOf(model).map(bendsOf),
    into: (model, rows) => ({
      ...model,
      hazards: [...model.hazards.filter((h) => h.shape === 'box'), ...rows.map(tubeOf)],
    }),
  },
  list(
    'ties',
    'Tie points',
    'tie point',
    [
      named,
      at('x', 'aft of bow'),
      at('y', 'off centre'),
      at('z', 'height'),
      { key: 'room', name: 'where', kind: 'room', else: 'on deck' },
    ],
    (id) => ({ id, name: 'eye', x: 1000, y: 150, z: 310 }),
  ),
  list('handles', 'Handles', 'handle', [named, at('x', 'aft of bow'), at('height', 'height')], (id) => ({
    id,
    name: 'bow handle',
    x: 60,
    height: 345,
  })),
  {
    ...list(
      'stock',
      'Stock fittings',
      'fitting',
      [
        { key: 'part', name: 'part', kind: 'part' },
        { key: 'place.on', name: 'stands on', kind: STOCK_ON },
        { key: 'place.track', name: 'track', kind: 'track', when: (r) => r['place.on'] === 'track' },
        { key: 'place.rail', name: 'rail', kind: 'rail', when: (r) => r['place.on'] === 'rail' },
        { key: 'place.side', name: 'side', kind: ['port', 'starboard'], when: (r) => r['place.on'] === 'side' },
        at('place.x', 'aft of bow'),
        { ...at('place.y', 'off centre'), when: (r) => r['place.on'] === 'deck' },
        { ...at('place.down', 'below the gunwale'), when: (r) => r['place.on'] === 'side' },
        { key: 'place.heading', name: 'turned, °', kind: 'number', when: (r) => r['place.on'] !== 'side' },
        { key: 'hold', name: 'held by', kind: HOLDS },
      ],
      (id) => ({
        ...{ id, part: 'pad-eye', hold: 'rivet' },
        ...{ 'place.on': 'deck', 'place.x': 1000, 'place.y': 0, 'place.heading': 0 },
      }),
    ),
    // What stands inside, in an insert or a scupper is kept as it is: it is entered where stock is taken.
    rows: (model) => flat((model.stock ?? []).filter(isListed)),
    into: (model, rows) => ({
      ...model,
      stock: [
        ...rows.map((row) => filled(standing(row, model)) as unknown as Stock),
        ...(model.stock ?? []).filter((s) => !isListed(s)),
      ],
    }),
  },
  list(
    'moving',
    'What turns',
    'moving part',
    [
      named,
      ...BOX,
      { key: 'about', name: 'hinge runs', kind: ['x', 'y', 'z'] },
      at('hinge.x', 'hinge aft'),
      at('hinge.y', 'hinge off centre'),
      at('hinge.z', 'hinge height'),
      { key: 'turns', name: 'turns, °', kind: 'number' },
    ],
    (id) => ({
      id,
      name: 'rudder',
      ...box(3400, 3550, -8, 8, 0, 300),
      about: 'z',
      'hinge.x': 3420,
      'hinge.y': 0,
      'hinge.z': 200,
      turns: 35,
    }),
  ),
];
