import { revisionOf } from '@plain-cleat/core/parts/parts';
import { placeFault } from '@plain-cleat/core/boat/hull';
import { partsOf, type Pin, type Plan } from '@plain-cleat/core/rig';
import type { Newer } from '@plain-cleat/core/workup';
import type { Transaction } from 'sequelize';
import type { RigRow } from '../database/models';
import { hullAt, materialsAt, newestHull, newestMaterials, newestParts, newestShop, shopAt } from '../revisions/revisions';
import { planOf } from './load';

const NOTHING: Newer = { hull: null, materials: null, shop: null, parts: [] };

/** What the shop has in a newer revision than a plan was made with. A rig that brought its own keeps it. */
export async function newerThan(row: RigRow): Promise<Newer> {
  if (row.carried) return NOTHING;
  const plan = planOf(row);
  const { pins } = plan;
  const aboard = partsOf(plan);
  const oldest = new Map<string, number>();
  for (const ref of aboard) oldest.set(ref.id, Math.min(revisionOf(ref), oldest.get(ref.id) ?? Infinity));
  const [hull, materials, shop, parts] = await Promise.all([
    newestHull(pins.hull.id),
    newestMaterials(),
    newestShop(),
    newestParts([...oldest.keys()]),
  ]);
  return {
    hull: hull.revision > pins.hull.revision ? hull : null,
    materials: materials.revision > pins.materials ? materials : null,
    shop: Object.values(pins.shop).some((pinned) => shop.revision > pinned) ? shop : null,
    parts: parts.filter((p) => revisionOf(p) > (oldest.get(p.id) ?? Infinity)),
  };
}

/** Why a plan cannot be taken to a revision, or null: there is none, or something would lose its place. */
export async function updateFault(
  row: RigRow,
  plan: Plan,
  pin: Pin,
  revision: number,
  transaction: Transaction,
): Promise<string | null> {
  if (row.carried) return 'this rig came in a file with its own hull, materials and settings, and keeps them';
  if (pin === 'materials')
    return (await materialsAt(revision, transaction)) ? null : 'the stores have no such revision of their materials';
  if (pin !== 'hull') return (await shopAt(revision, transaction)) ? null : 'the shop has no such revision';
  const hull = await hullAt(plan.pins.hull.id, revision, transaction);
  if (!hull) return 'this hull has no such revision';
  for (const f of Object.values(plan.fittings))
    for (const place of [f.place, ...Object.values(f.elsewhere ?? {})]) {
      const fault = placeFault(hull, place);
      if (fault) return `${f.part} would lose its place there: ${fault.says}`;
    }
  return null;
}
