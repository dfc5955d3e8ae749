import type { LoggedChange } from '@plain-cleat/api';
import type { OtherHole } from '@plain-cleat/core/holding/drilling';
import { upcastHull } from '@plain-cleat/core/boat/hull';
import { type Part, partKey } from '@plain-cleat/core/parts/parts';
import {
  type Fact,
  savedFactSchema,
  partsOf,
  type Plan,
  planSchema,
  rigFileSchema,
  upcastParts,
  upcastPlan,
  upcastShop,
} from '@plain-cleat/core/rig';
import { calendarIn } from '@plain-cleat/core/base/units';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { LRUCache } from 'lru-cache';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { z } from 'zod';
import { FactRow, RigRow } from '../database/models';
import { draft } from '../drafting/draft';
import { type HttpProblem, notFound } from '../problems/problem';
import { fitting } from '../revisions/fitting';
import { hullAt, materialsAt, newestParts, partsAt, settingsAt } from '../revisions/revisions';
import { asItIs, RIGS_PROJECTED } from './as-it-is';
import { latestLogged } from './logged';

/** What a rig file brought along. */
const carriedSchema = rigFileSchema.pick({ hull: true, parts: true, consumables: true, shop: true });
export type Carried = z.infer<typeof carriedSchema>;

/** What a plan is worked up from besides itself: of the stores only what it uses. */
export type Pinned = Pick<WorkupInput, 'hull' | 'catalog' | 'shop'>;

export interface LoadedRig extends Omit<WorkupInput, 'asOf'> {
  readonly row: RigAbout;
  /** The latest changes of whoever was asked for, oldest first, as they take them back. */
  readonly mine: readonly LoggedChange[];
}

/** A rig's row with its hull's and its owner's. */
interface RigAbout extends Pick<RigRow, 'id' | 'number' | 'hullId' | 'place' | 'version' | 'plan' | 'carried'> {
  readonly serial: string;
  readonly factCount: number;
  readonly ownerId: string;
  readonly owner: string;
  readonly email: string;
}

/** What stands in rows of its own beside a rig: a fact of its hull, another rig on it, a change of one person. */
interface Beside {
  readonly what: 'fact' | 'other' | 'change';
  readonly id: string;
  /** A fact's number, a change's version. */
  readonly nth: number;
  /** The fact; the other's holes as projected; what takes the change back. */
  readonly text: string | null;
  /** Whether the fact came in a file; whether the projection is of the other as it is; what the change undoes. */
  readonly mark: string | null;
}

const ABOUT = `SELECT r.id, r.number, r.hullId, r.place, r.version, r.plan, r.carried, h.serial, h.factCount,
    r.ownerId, COALESCE(o.name, '') AS owner, COALESCE(o.email, '') AS email
  FROM rigs r JOIN hulls h ON h.id = r.hullId LEFT JOIN owners o ON o.id = r.ownerId WHERE r.id = :id`;
// What was set aside plans and uses nothing: its drilled holes stay with the hull as old ones.
const BESIDE = `SELECT 'fact' AS what, f.id, f.seq AS nth, f.body AS text, f.foreign AS mark
    FROM rigs me JOIN facts f ON f.hullId = me.hullId WHERE me.id = :id
  UNION ALL SELECT 'other', r.id, ROW_NUMBER() OVER (ORDER BY r.number), p.holes, ${asItIs()}
    FROM rigs me JOIN ${RIGS_PROJECTED} ON r.hullId = me.hullId WHERE me.id = :id AND r.id <> me.id AND r.place <> 'set aside'
  UNION ALL (SELECT 'change', c.id, c.version, c.inverse, c.undoes
    FROM changes c WHERE c.rigId = :id AND c.author = :author ORDER BY c.version DESC LIMIT 200)
  ORDER BY what, nth`;

const database = (): Sequelize => RigRow.sequelize as Sequelize;

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

const noRig = (id: string): HttpProblem => notFound('rig', `there is no rig ${id.slice(0, 64)}`);

export async function findRig(id: string, transaction?: Transaction): Promise<RigRow> {
  const row = await RigRow.findByPk(id, { transaction, ...(transaction ? { lock: transaction.LOCK.UPDATE } : {}) });
  if (!row) throw noRig(id);
  return row;
}

const FROM_A_FILE = ', from a file';

/** A name that came in a rig file: whoever it is, the shop did not see them do it. */
export const fromAFile = (name: string): string => (name.endsWith(FROM_A_FILE) ? name : `${name}${FROM_A_FILE}`);

/** The same as the file had it. */
export const asInFile = (name: string): string => (name.endsWith(FROM_A_FILE) ? name.slice(0, -FROM_A_FILE.length) : name);

function factOf(body: string, foreign: boolean): Fact {
  const fact = fitting(savedFactSchema, 'a fact', JSON.parse(body));
  return foreign ? { ...fact, by: fromAFile(fact.by), unproven: 'from a file' } : fact;
}

/** The kept facts of a hull, in the order they came. */
export const factsOf = async (hullId: string): Promise<Fact[]> =>
  (await FactRow.findAll({ where: { hullId }, order: [['seq', 'ASC']] })).map((r) => factOf(r.body, r.foreign));

/** Parts that a plan uses: what its fittings are, each in its revision, and what was wished for. Those carried come first. */
async function partsUsed(plan: Plan, carried: readonly Part[], transaction?: Transaction): Promise<Part[]> {
  const withIt = new Set(carried.map(partKey));
  const aboard = partsOf(plan);
  const at = await partsAt(
    aboard.filter((ref) => !withIt.has(partKey(ref))),
    transaction,
  );
  const known = new Set([...carried, ...at].map((p) => p.id));
  const wished = [...new Set(Object.values(plan.wishes).flatMap((w) => w.part ?? []))].filter((id) => !known.has(id));
  return [...carried, ...at, ...(await newestParts(wished, transaction))];
}

/** The hull, parts, materials and settings a plan is pinned to, or what its file carried. */
export async function pinnedOf(row: Pick<RigRow, 'carried'>, plan: Plan, transaction?: Transaction): Promise<Pinned> {
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

/** The holes of all rigs of a hull, but for one. */
export async function holesOnHull(hullId: string, facts: readonly Fact[], but = ''): Promise<OtherHole[]> {
  const others = await database().query<Other>(
    `SELECT r.id, p.holes, ${asItIs(':facts')} AS fresh FROM ${RIGS_PROJECTED}
     WHERE r.hullId = :hullId AND r.place <> 'set aside' AND r.id <> :but ORDER BY r.number`,
    { replacements: { hullId, facts: facts.length, but }, type: QueryTypes.SELECT },
  );
  return holesOf(others, facts);
}

/** Another rig on a hull, with its holes as they were projected. */
interface Other {
  readonly id: string;
  readonly holes: string | null;
  /** Whether its projection is of it as it is. */
  readonly fresh: number;
}

/** The holes of some rigs: as projected where that was made of the rig as it is and of these very facts, else worked up. */
async function holesOf(others: readonly Other[], facts: readonly Fact[]): Promise<OtherHole[]> {
  const stale = others.filter((o) => !o.fresh);
  const worked = stale.length ? await draft('holes', await Promise.all(stale.map((o) => numbered(o.id, facts)))) : [];
  const made = new Map(stale.map((o, i) => [o.id, worked[i] ?? []]));
  return others.flatMap((o) => made.get(o.id) ?? (JSON.parse(o.holes ?? '[]') as OtherHole[]));
}

/** A rig as it is worked up for what others see of it. */
export async function numbered(id: string, facts: readonly Fact[]): Promise<{ number: string; input: WorkupInput }> {
  const row = await findRig(id);
  const plan = planOf(row);
  return { number: row.number, input: { plan, facts, ...(await pinnedOf(row, plan)), asOf: plan.opened } };
}

/** One rig with all its workup needs, and what somebody can take back of it. */
export async function loadRig(id: string, author = ''): Promise<LoadedRig> {
  const ask = <T extends object>(sql: string): Promise<T[]> =>
    database().query<T>(sql, { replacements: { id, author }, type: QueryTypes.SELECT });
  const [[row], beside] = await Promise.all([ask<RigAbout>(ABOUT), ask<Beside>(BESIDE)]);
  if (!row) throw noRig(id);
  const of = (what: Beside['what']): Beside[] => beside.filter((b) => b.what === what);
  const plan = planOf(row);
  const facts = of('fact').map((f) => factOf(f.text ?? '', f.mark === '1'));
  const others = of('other').map((o) => ({ id: o.id, holes: o.text, fresh: Number(o.mark) }));
  const mine = of('change').map((c) => ({ id: c.id, version: c.nth, inverse: c.text ?? '', undoes: c.mark }));
  const [pinned, holes] = await Promise.all([pinnedOf(row, plan), holesOf(others, facts)]);
  return { row, plan, facts, others: holes, mine: latestLogged(mine), ...pinned };
}

const calendars = new Map<string, Intl.DateTimeFormat>();

/** Today in the shop's time zone, ISO. */
export function todayIn(timeZone: string): string {
  const calendar = calendars.get(timeZone) ?? calendarIn(timeZone);
  calendars.set(timeZone, calendar);
  return calendar.format(new Date());
}

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
