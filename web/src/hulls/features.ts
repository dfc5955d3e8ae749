import type { HullModel } from '@plain-cleat/core/hull';

/** A column of a list of things on the hull. */
export interface Column {
  readonly key: string;
  readonly name: string;
  /** Rows that have it; all when left out. */
  readonly when?: (row: Row) => boolean;
  readonly kind: 'text' | 'words' | 'length' | 'number' | 'yes' | 'openings' | readonly string[];
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

export function nested(row: Row): Row {
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(row)) {
    const [a = '', b] = key.split('.');
    if (b === undefined) out[a] = value;
    else out[a] = { ...(out[a] as object | undefined), [b]: value };
  }
  return out;
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
  list(
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
  list('rails', 'Rails', 'rail', [named, ...BOX, at('diameter', 'diameter')], (id) => ({
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
    // Tubes run along a path, which is no row of figures: they are kept as they are.
    rows: (model) => flat(model.hazards.filter((h) => h.shape === 'box')),
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

/** Rows back into the model; a lid without a hinge lifts off whole. */
export function withRows(model: HullModel, key: keyof HullModel, rows: readonly Row[]): HullModel {
  const clean = rows.map((row) => {
    const lifted = key === 'hatches' && !row['lid.hinge'];
    const kept = Object.entries(row).filter(([k, v]) => !(lifted && k.startsWith('lid.')) && v !== undefined && v !== null);
    const filled = lifted || key !== 'hatches' ? kept : [['lid.turns', 100], ['lid.thick', 15], ...kept];
    return nested(Object.fromEntries(filled as [string, unknown][]));
  });
  const tubes = key === 'hazards' ? model.hazards.filter((h) => h.shape === 'tube') : [];
  return { ...model, [key]: [...clean, ...tubes] };
}
