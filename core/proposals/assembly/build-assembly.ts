import { entryOf } from '../../rig';
import type { Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { Fitted } from '../../holding/fitted';
import { isOneOf, type Finding, type FindingCode } from '../../checks/findings';
import type { HullModel } from '../../boat/hull';
import { type Assembly, assignLetters, ofNewest, openPlan, pinsTo, standingOn } from '../../rig';
import { Memory } from '../../base/stages';
import { workUp } from '../../workup';

const LONG = 2400;
const WIDE = 1200;

/** A flat board at the bench, no boat: assemblies are built on it by the same rules as on a deck. */
const BOARD: HullModel = {
  id: 'board',
  revision: 1,
  maker: 'the shop',
  name: 'board',
  kind: 'sit-on-top',
  material: 'wood',
  massKg: 20,
  capacityKg: 500,
  wall: 18,
  seat: { x: LONG - 100, low: 100, high: 100 },
  stations: [0, 0.3, 0.7, 1].map((t) => ({
    x: t * LONG,
    halfBreadth: WIDE / 2,
    gunwale: 100,
    keel: 0,
    fullness: 20,
    flare: 0,
  })),
  decks: [
    {
      id: 'top',
      name: 'board',
      kind: 'plate',
      fore: 0,
      aft: LONG,
      port: -WIDE / 2,
      starboard: WIDE / 2,
      height: 100,
      rise: 0,
      wall: 18,
    },
  ],
  hatches: [],
  tracks: [],
  inserts: [],
  scuppers: [],
  hazards: [],
};

/** What can be wrong with an assembly whatever boat it goes on. */
const OF_ITS_OWN: readonly FindingCode[] = [
  'overlap',
  'does-not-join',
  'excludes',
  'cannot-hold',
  'shallow-tube',
  'rods-cross',
  'swings',
  'strut',
];

export interface BuiltAssembly {
  /** Its fittings, the base first, each before what stands on it. */
  readonly items: readonly Fitted[];
  readonly findings: readonly Finding[];
  readonly massKg: number;
  /** What the shop supplies, cents. */
  readonly cents: number;
  /** Holes drilled in its own parts. */
  readonly holes: number;
}

/**
 * Works up an assembly on the bench, without a boat: positions, holes in its own parts, weight, price, and
 * what is wrong with it wherever it goes.
 */
export function buildAssembly(a: Assembly, parts: readonly Part[], shop: ShopSettings, memory = new Memory()): BuiltAssembly {
  const { fittings: own } = ofNewest(a, parts);
  const base = entryOf(own, a.base);
  const start = openPlan({
    id: 'board',
    title: a.name || 'assembly',
    opened: '2000-01-01',
    promised: null,
    pins: pinsTo(BOARD, 1, shop.revision),
  });
  const place = { on: 'deck' as const, x: LONG / 2, y: 0, heading: 0 };
  const loose = { hold: 'loose' as const, plate: false, reason: '' };
  const fittings = base ? { ...own, [a.base]: { ...base, place, mount: loose } } : {};
  // The base is A, each after what carries it: letters stay while parts are moved about.
  const letters = Object.fromEntries(assignLetters(standingOn({ fittings }, a.base), null));
  const {
    aboard: { owned },
    findings,
  } = workUp(
    {
      plan: { ...start, fittings, letters },
      hull: BOARD,
      facts: [],
      catalog: { parts: [...parts], consumables: [] },
      shop,
      asOf: '2000-01-01',
    },
    memory,
  );
  const byId = new Map(owned.map((i) => [i.placed.id, i]));
  const items = standingOn({ fittings }, a.base).flatMap((id) => byId.get(id) ?? []);
  return {
    items,
    // How its base is held is settled on the boat.
    findings: findings.filter((f) => isOneOf(OF_ITS_OWN, f) && !(f.code === 'cannot-hold' && f.where === a.base)),
    massKg: items.reduce((sum, i) => sum + i.placed.part.body.massKg, 0),
    cents: items.reduce((sum, i) => sum + (i.placed.fitting.suppliedBy === 'shop' ? i.placed.part.sold.priceCents : 0), 0),
    holes: items.reduce((sum, i) => sum + i.holes.length, 0),
  };
}
