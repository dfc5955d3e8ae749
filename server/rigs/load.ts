import type { OtherHole } from '@plain-cleat/core/drilling';
import { upcastHull } from '@plain-cleat/core/hull';
import { type Part, partKey } from '@plain-cleat/core/parts';
import {
  type Fact,
  keptFactSchema,
  partsOf,
  type Plan,
  planSchema,
  rigFileSchema,
  upcastParts,
  upcastPlan,
  upcastShop,
} from '@plain-cleat/core/rig';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { LRUCache } from 'lru-cache';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { z } from 'zod';
import { FactRow, HullRow, OwnerRow, RigRow } from '../database/models';
import { draft } from '../drafting/draft';
import { notFound } from '../problems/problem';
import { fitting } from '../revisions/fitting';
import { hullAt, materialsAt, newestParts, partsAt, settingsAt } from '../revisions/revisions';
import { asItIs, RIGS_PROJECTED } from './as-it-is';

/** What a rig file brought along. */
const carriedSchema = rigFileSchema.pick({ hull: true, parts: true, consumables: true, shop: true });
export type Carried = z.infer<typeof carriedSchema>;

/** What a plan is worked up from besides itself: of the stores only what it uses. */
export type Pinned = Pick<WorkupInput, 'hull' | 'catalog' | 'shop'>;

export interface LoadedRig extends Omit<WorkupInput, 'asOf'> {
  readonly row: RigRow;
  readonly hullRow: HullRow;
}

/** So many stored texts of a kind are kept read: one that is the same was read before (judgement). */
const AS_READ = { carried: 50, plans: 200 } as const;
const carriedRead = new LRUCache<string, Carried>({ max: AS_READ.carried });
const plansRead = new LRUCache<string, Plan>({ max: AS_READ.plans });

/** What a stored text says, read once. */
function readOnce<V extends object>(all: LRUCache<string, V>, text: string, read: (stored: unknown) => V): V {
  const before = all.get(text);
  if (before) return before;
  const value = read(JSON.parse(text));
  all.set(text, value);
  return value;
}

/** What a rig brought along in its file, whatever version it was stored in; null for the shop's own. */
export const carriedBy = ({ carried }: Pick<RigRow, 'carried'>): Carried | null =>
  carried === null
    ? null
    : readOnce(carriedRead, carried, (stored) => {
        const { hull, parts, consumables, shop } = stored as Record<keyof Carried, unknown>;
        const now = { hull: upcastHull(hull), parts: upcastParts(parts), consumables, shop: upcastShop(shop) };
        return fitting(carriedSchema, 'what the rig brought along', now);
      });

/** A plan as its row keeps it: whole, and what lists show of it. */
export const storedPlan = (plan: Plan): Pick<RigRow, 'plan' | 'title' | 'promised'> => ({
  plan: JSON.stringify(plan),
  title: plan.title,
  promised: plan.promised,
});

/** A stored plan, whatever version it was stored in. Nobody writes into it. */
export const planOf = ({ plan }: Pick<RigRow, 'plan'>): Plan =>
  readOnce(plansRead, plan, (stored) => fitting(planSchema, 'the plan', upcastPlan(stored)));

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
    const fact = fitting(keptFactSchema, 'a fact', JSON.parse(r.body));
    return r.foreign ? { ...fact, by: fromAFile(fact.by) } : fact;
  });
}

/** Parts that a plan uses: what its fittings are, each in its revision, and what was wished for. Those carried come first. */
async function partsUsed(plan: Plan, carried: readonly Part[], transaction?: Transaction): Promise<Part[]> {
  const brought = new Set(carried.map(partKey));
  const aboard = partsOf(plan);
  const at = await partsAt(
    aboard.filter((ref) => !brought.has(partKey(ref))),
    transaction,
  );
  const known = new Set([...carried, ...at].map((p) => p.id));
  const wished = [...new Set(Object.values(plan.wishes).flatMap((w) => w.part ?? []))].filter((id) => !known.has(id));
  return [...carried, ...at, ...(await newestParts(wished, transaction))];
}

/** The hull, parts, materials and settings a plan is pinned to, or what its file carried. */
export async function pinnedOf(row: RigRow, plan: Plan, transaction?: Transaction): Promise<Pinned> {
  const carried = carriedBy(row);
  const parts = await partsUsed(plan, carried?.parts ?? [], transaction);
  if (carried) return { hull: carried.hull, shop: carried.shop, catalog: { parts, consumables: carried.consumables } };
  const { pins } = plan;
  const [hull, materials, shop] = await Promise.all([
    hullAt(pins.hull.id, pins.hull.revision, transaction),
    materialsAt(pins.materials, transaction),
    settingsAt(pins.shop, transaction),
  ]);
  if (!hull || !materials || !shop) throw notFound('rig', 'its hull, materials or shop settings are missing');
  return { hull, shop, catalog: { parts, consumables: materials.consumables } };
}

/**
 * The holes of all rigs of a hull, but for one: as they were projected where that was made of the rig as it is and of
 * these very facts, else worked up.
 */
export async function holesOnHull(hullId: string, facts: readonly Fact[], but?: string): Promise<OtherHole[]> {
  // What was set aside plans and uses nothing: its drilled holes stay with the hull as old ones.
  const others = await othersOnHull(hullId, facts.length, but ?? '');
  const stale = others.filter((o) => !o.fresh);
  const worked = stale.length ? await draft('holes', await Promise.all(stale.map((o) => numbered(o.id, facts)))) : [];
  const made = new Map(stale.map((o, i) => [o.id, worked[i] ?? []]));
  return others.flatMap((o) => made.get(o.id) ?? (JSON.parse(o.holes ?? '[]') as OtherHole[]));
}

interface Other {
  readonly id: string;
  readonly holes: string | null;
  /** Whether its projection is of it as it is. */
  readonly fresh: number;
}

/** The other rigs of a hull with what was projected of them, by number. */
const othersOnHull = (hullId: string, facts: number, but: string): Promise<Other[]> =>
  (RigRow.sequelize as Sequelize).query<Other>(
    `SELECT r.id, p.holes, ${asItIs(':facts')} AS fresh FROM ${RIGS_PROJECTED}
     WHERE r.hullId = :hullId AND r.place <> 'set aside' AND r.id <> :but ORDER BY r.number`,
    { replacements: { hullId, facts, but }, type: QueryTypes.SELECT },
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
