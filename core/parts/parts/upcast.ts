import { isObject, type Json } from '../../base/stored';

/** What each kind is usually pulled with, N, and the share of its height at which it acts (judgement), before parts said so themselves. */
const USUAL: Readonly<Record<string, readonly [newtons: number, height: number]>> = {
  // Twice a usual drag setting (common practice, no source).
  'rod tube': [60, 0.8],
  'paddle clip': [40, 1],
  net: [40, 0.8],
  sounder: [50, 0.8],
  camera: [25, 0.9],
  light: [10, 0.8],
  motor: [300, 0.5],
  anchor: [200, 0.5],
  plate: [250, 1],
  seat: [400, 0.5],
  leash: [100, 1],
  sampler: [120, 0.8],
  eye: [150, 1],
  safety: [100, 1],
  ladder: [900, 0.2],
  steering: [150, 0.5],
  rudder: [150, 0.5],
  drive: [350, 0.5],
  pegs: [400, 0.8],
  board: [40, 0.8],
  switch: [30, 1],
  gland: [20, 0.5],
  bar: [250, 0.6],
  flag: [10, 0.8],
  mount: [60, 0.8],
  track: [150, 1],
  stowage: [60, 1],
  signal: [20, 0.5],
};

/** Kinds that nobody takes in hand: one looks at them, or they work by themselves. */
const LEFT_ALONE = [
  'seat',
  'light',
  'flag',
  'battery',
  'motor',
  'leash',
  'pegs',
  'track',
  'plate',
  'mat',
  'bar',
  'mount',
  'jacket',
];

const PLACES: Readonly<Record<string, string>> = {
  jacket: 'worn',
  mat: 'underfoot',
  seat: 'sat on',
  net: 'beside the seat',
  'paddle clip': 'beside the seat',
};
/** Kinds that others are stood on. */
const CARRIES = ['crate', 'cooler', 'bar', 'plate', 'track', 'stowage'];

const PROPELS: Readonly<Record<string, string>> = { motor: 'motor', drive: 'pedals' };

/** Only what is there. */
const given = (fields: Json): Json => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

/** A stored part of any version as one of this version; anything else is left for the schema to refuse. */
export function upcastPart(stored: unknown): unknown {
  if (!isObject(stored) || !Array.isArray(stored.solids) || typeof stored.kind !== 'string') return stored;
  const { id, name, french, kind, walk, joins, rods, light, lens, sonar, screen, ...p } = stored;
  const { massKg, base, solids, moves, recess, bridges, drains, opening, ...q } = p;
  const { holes, thread, rivet, madeHole, holds, trackBolts, slotHead, slot, clamps, metal, lever, load, ...r } = q;
  const { use, comesOff, afloat, usedAt, reboards, spareFor, heat, gives, takes, needs, excludes, replaces, ...s } = r;
  const { priceCents, priced, supplier, leadDays, cutFrom, draw, battery, ...unknown } = s;
  const own = (table: Readonly<Record<string, string>>): string | undefined =>
    Object.hasOwn(table, kind) ? table[kind] : undefined;
  const [newtons, height] = (Object.hasOwn(USUAL, kind) ? USUAL[kind] : undefined) ?? [20, 0.5];
  return {
    ...unknown,
    ...given({ id, name, french, kind, walk, joins, rods, light, lens, sonar, screen }),
    body: given({
      massKg,
      base,
      solids,
      moves,
      recess,
      bridges,
      drains,
      opening,
      carries: CARRIES.includes(kind) || undefined,
      place: own(PLACES),
    }),
    holes: given({ at: holes, thread, rivet, made: madeHole }),
    holding: given({ ways: holds, trackBolts, slotHead, slot, clamps, metal, lever, usual: { newtons, height }, load }),
    use: given({
      often: use,
      byHand: !LEFT_ALONE.includes(kind),
      comesOff,
      afloat,
      usedAt,
      propels: own(PROPELS),
      reboards,
      spareFor,
      heat,
    }),
    goesWith: given({ answersTo: [kind], gives, takes, needs, excludes, replaces }),
    sold: given({ priceCents, priced, supplier, leadDays, cutFrom }),
    ...(draw === undefined && battery === undefined ? {} : { power: given({ draw, battery }) }),
  };
}
