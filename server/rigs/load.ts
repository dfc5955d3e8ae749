import type { Catalog } from '@plain-cleat/core/catalog';
import type { ShopSettings } from '@plain-cleat/core/shop';
import type { OtherHole } from '@plain-cleat/core/drilling';
import { type HullModel, upcastHull } from '@plain-cleat/core/hull';
import { type Fact, overlay, type Plan, upcastParts, upcastPlan, upcastShop } from '@plain-cleat/core/rig';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { FactRow, HullRow, OwnerRow, RigRow } from '../database/models';
import { draft } from '../drafting/draft';
import { notFound } from '../problems/problem';
import { catalogAt, hullAt, newestCatalog, shopAt } from '../revisions/revisions';

/** What a rig file brought along. */
export interface Carried {
  readonly hull: HullModel;
  readonly parts: Catalog['parts'];
  readonly consumables: Catalog['consumables'];
  readonly shop: ShopSettings;
}

export interface LoadedRig extends Omit<WorkupInput, 'asOf'> {
  readonly row: RigRow;
  readonly hullRow: HullRow;
  readonly catalog: Catalog;
}

const parsed = <T>(text: string): T => JSON.parse(text) as T;

/** What a rig brought along in its file, whatever version it was stored in; null for the shop's own. */
export function carriedBy({ carried }: Pick<RigRow, 'carried'>): Carried | null {
  if (!carried) return null;
  const stored = parsed<Carried>(carried);
  return {
    hull: upcastHull(stored.hull),
    parts: upcastParts(stored.parts),
    consumables: stored.consumables,
    shop: upcastShop(stored.shop),
  };
}

/** A plan as its row keeps it: whole, and what lists show of it. */
export const storedPlan = (plan: Plan): Pick<RigRow, 'plan' | 'title' | 'promised'> => ({
  plan: JSON.stringify(plan),
  title: plan.title,
  promised: plan.promised,
});

/** A stored plan, whatever version it was stored in. */
export const planOf = (row: Pick<RigRow, 'plan'>): Plan => upcastPlan(JSON.parse(row.plan));

export async function findRig(id: string, transaction?: Transaction): Promise<RigRow> {
  const row = await RigRow.findByPk(id, { transaction, ...(transaction ? { lock: transaction.LOCK.UPDATE } : {}) });
  if (!row) throw notFound('rig', `there is no rig ${id.slice(0, 64)}`);
  return row;
}

const FROM_A_FILE = ', from a file';

/** A name that came in a rig file: whoever it is, the shop did not see them do it. */
export const fromAFile = (name: string): string => (name.endsWith(FROM_A_FILE) ? name : `${name}${FROM_A_FILE}`);

/** The same as the file had it. */
export const asInFile = (name: string): string => (name.endsWith(FROM_A_FILE) ? name.slice(0, -FROM_A_FILE.length) : name);

/** The kept facts of a hull, in the order they came. */
export async function factsOf(hullId: string): Promise<Fact[]> {
  const rows = await FactRow.findAll({ where: { hullId }, order: [['seq', 'ASC']] });
  return rows.map((r) => {
    const fact = parsed<Fact>(r.body);
    return r.foreign ? { ...fact, by: fromAFile(fact.by) } : fact;
  });
}

/** The hull, catalog and shop settings a plan is pinned to, overlaid with what its file carried. */
export async function pinnedOf(
  row: RigRow,
  plan: Plan,
  transaction?: Transaction,
): Promise<{ hull: HullModel; catalog: Catalog; shop: ShopSettings }> {
  const carried = carriedBy(row);
  if (carried) {
    const { hull, parts, consumables, shop } = carried;
    const catalog = await newestCatalog(transaction);
    return { hull, shop, catalog: { ...catalog, parts: overlay(catalog.parts, parts), consumables } };
  }
  const { pins } = plan;
  const [hull, catalog, shop] = await Promise.all([
    hullAt(pins.hull.id, pins.hull.revision, transaction),
    catalogAt(pins.catalog, transaction),
    shopAt(pins.shop, transaction),
  ]);
  if (!hull || !catalog || !shop) throw notFound('rig', 'its hull, catalog or shop settings are missing');
  return { hull, catalog, shop };
}

/**
 * The holes of all rigs of a hull, but for one: as they were projected where that was made of the rig as it is and of
 * these very facts, else worked up.
 */
export async function holesOnHull(hullId: string, facts: readonly Fact[], but?: string): Promise<OtherHole[]> {
  // What was set aside plans and uses nothing: its drilled holes stay with the hull as old ones.
  const others = await othersOnHull(hullId, but ?? '');
  const fresh = (o: Other): boolean => o.projected === o.version && o.factCount === facts.length && o.holes !== null;
  const stale = others.filter((o) => !fresh(o));
  const worked = stale.length ? await draft('holes', await Promise.all(stale.map((o) => numbered(o.id, facts)))) : [];
  const made = new Map(stale.map((o, i) => [o.id, worked[i] ?? []]));
  return others.flatMap((o) => made.get(o.id) ?? parsed<OtherHole[]>(o.holes ?? '[]'));
}

interface Other {
  readonly id: string;
  readonly version: number;
  /** The version its projection was made of. */
  readonly projected: number | null;
  readonly factCount: number | null;
  readonly holes: string | null;
}

/** The other rigs of a hull with what was projected of them, by number. */
const othersOnHull = (hullId: string, but: string): Promise<Other[]> =>
  (RigRow.sequelize as Sequelize).query<Other>(
    `SELECT r.id, r.version, p.version AS projected, p.factCount, p.holes
     FROM rigs r LEFT JOIN projections p ON p.rigId = r.id
     WHERE r.hullId = :hullId AND r.place <> 'set aside' AND r.id <> :but ORDER BY r.number`,
    { replacements: { hullId, but }, type: QueryTypes.SELECT },
  );

/** A rig as it is worked up for what others see of it. */
export async function numbered(id: string, facts: readonly Fact[]): Promise<{ number: string; input: WorkupInput }> {
  const row = await findRig(id);
  const plan = planOf(row);
  return { number: row.number, input: { plan, facts, ...(await pinnedOf(row, plan)), asOf: plan.opened } };
}

/** One rig with all its workup needs. */
export async function loadRig(id: string): Promise<LoadedRig> {
  const row = await findRig(id);
  const plan = planOf(row);
  const [hullRow, pinned, facts] = await Promise.all([HullRow.findByPk(row.hullId), pinnedOf(row, plan), factsOf(row.hullId)]);
  if (!hullRow) throw notFound('rig', 'its hull is missing');
  return { row, hullRow, plan, facts, others: await holesOnHull(row.hullId, facts, row.id), ...pinned };
}

/** Today in the shop's time zone, ISO. */
export const todayIn = (timeZone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short' }).format(new Date());

/** What a rig is worked up from, as of today. */
export const inputOf = ({ plan, hull, facts, catalog, shop, others }: LoadedRig): WorkupInput => ({
  plan,
  hull,
  facts,
  catalog,
  shop,
  others,
  asOf: todayIn(shop.timeZone),
});

/** Whose rig it is. */
export async function ownerOf(loaded: LoadedRig): Promise<OwnerRow> {
  const owner = await OwnerRow.findByPk(loaded.row.ownerId);
  if (!owner) throw notFound('owner', 'this rig has no owner');
  return owner;
}
