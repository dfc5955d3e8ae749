import { placeFault, type Plan } from '@plain-cleat/core/rig';
import type { Newer } from '@plain-cleat/api';
import type { Transaction } from 'sequelize';
import type { RigRow } from '../database/models';
import { catalogAt, hullAt, newestCatalog, newestHull, newestShop, shopAt } from '../revisions/revisions';
import { planOf } from './load';

/** What the shop has in a newer revision than a plan was made with. A rig that brought its own keeps it. */
export async function newerThan(row: RigRow): Promise<Newer> {
  if (row.carried) return { hull: null, catalog: null, shop: null };
  const { pins } = planOf(row);
  const [hull, catalog, shop] = await Promise.all([newestHull(pins.hull.id), newestCatalog(), newestShop()]);
  return {
    hull: hull.revision > pins.hull.revision ? hull : null,
    catalog: catalog.revision > pins.catalog ? catalog : null,
    shop: shop.revision > pins.shop ? shop : null,
  };
}

/** Why a plan cannot be taken to a revision, or null: there is none, or something would lose its place or its part. */
export async function adoptionFault(
  row: RigRow,
  plan: Plan,
  pin: 'hull' | 'catalog' | 'shop',
  revision: number,
  transaction: Transaction,
): Promise<string | null> {
  if (row.carried) return 'this rig came in a file with its own hull, parts and settings, and keeps them';
  if (pin === 'shop') return (await shopAt(revision, transaction)) ? null : 'the shop has no such revision';
  if (pin === 'catalog') {
    const found = await catalogAt(revision, transaction);
    if (!found) return 'the stores have no such revision';
    const sold = new Set(found.parts.map((p) => p.id));
    const gone = Object.values(plan.fittings).find((f) => !sold.has(f.part));
    return gone ? `${gone.part} is not in that revision: take it off first` : null;
  }
  const hull = await hullAt(plan.pins.hull.id, revision, transaction);
  if (!hull) return 'this hull has no such revision';
  for (const f of Object.values(plan.fittings))
    for (const place of [f.place, ...Object.values(f.elsewhere ?? {})]) {
      const fault = placeFault(hull, place);
      if (fault) return `${f.part} would lose its place there: ${fault.says}`;
    }
  return null;
}
