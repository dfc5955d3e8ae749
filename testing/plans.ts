import { randomUUID } from 'node:crypto';
import { CATALOG, SHOP, TOLVANE } from '@plain-cleat/demo';
import type { Part, Hold } from '@plain-cleat/core/parts/parts';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { type Fact, type Fitting, openPlan, pinsTo, type Plan, type Place, type NewFact } from '@plain-cleat/core/rig';
import type { WorkupInput } from '@plain-cleat/core/workup';

/** An empty plan on the Tolvane, dated, for specs. */
export const emptyPlan = (hull: HullModel = TOLVANE): Plan => ({
  ...openPlan({
    id: 'plan-1',
    title: 'spec rig',
    opened: '2026-06-01',
    promised: '2026-06-12',
    pins: pinsTo(hull, 1, 1),
  }),
  // The hardest way to read back.
  tape: { datum: 'bow', run: 'taut' },
});

export const fitted = (part: string, place: Place, hold: Hold, more: Partial<Fitting> = {}): Fitting => ({
  part,
  place,
  lift: 0,
  mount: { hold, plate: false, reason: '' },
  suppliedBy: 'shop',
  note: '',
  ...more,
});

export const deck = (x: number, y = 0, heading = 0): Place => ({ on: 'deck', x, y, heading });
export const track = (id: string, x: number): Place => ({ on: 'track', track: id, x, heading: 0 });

/** A workup input for these fittings. */
export const inputOf = (
  fittings: Plan['fittings'],
  more: Partial<Plan> = {},
  facts: readonly Fact[] = [],
  hull = TOLVANE,
): WorkupInput => ({
  plan: { ...emptyPlan(hull), fittings, ...more },
  hull,
  facts,
  catalog: CATALOG,
  shop: SHOP,
  asOf: '2026-06-01',
});

let minute = 0;
/** A kept fact, as if by one rigger, a minute after the one before. */
export function savedFact(body: object): Fact {
  const time = new Date(Date.UTC(2026, 5, 2, 9, ++minute)).toISOString();
  return { id: randomUUID(), rig: 'plan-1', deviceTime: time, by: 'Mara Voss', serverTime: time, ...body } as NewFact & {
    by: string;
    serverTime: string;
  };
}

type Facets = { readonly [F in keyof Part]?: Part[F] extends object | undefined ? Partial<Part[F]> : Part[F] };

/** A part with some of its facets otherwise. */
export const partWith = (part: Part, facets: Facets): Part => {
  const mixed = Object.entries(facets).map(([name, facet]) => {
    const own = part[name as keyof Part];
    return [name, typeof facet === 'object' && typeof own === 'object' ? { ...own, ...facet } : facet];
  });
  return { ...part, ...(Object.fromEntries(mixed) as Partial<Part>) };
};

/** A part of the demo's catalog by id. */
export function partOf(id: string): Part {
  const found = CATALOG.parts.find((p) => p.id === id);
  if (!found) throw new Error(`no part ${id}`);
  return found;
}
