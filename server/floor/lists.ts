import type { Floor, FloorPlace, Progress, RigList } from '@plain-cleat/api';
import { QueryTypes, type Sequelize } from 'sequelize';
import { newestShop } from '../revisions/revisions';
import { todayIn } from '../rigs/load';

/** Of what was handed over the floor shows so many, the newest; the list of rigs has them all. */
const HANDED_OVER = 20;

interface Row {
  readonly id: string;
  readonly number: string;
  readonly title: string;
  readonly place: FloorPlace;
  readonly promised: string | null;
  readonly owner: string | null;
  readonly hull: string | null;
  readonly outline: string | null;
  readonly progress: string | null;
}

/** A rig that nothing was projected of yet. */
const NOTHING_YET: Progress = { done: 0, total: 0, next: 'Lay it out', toSettle: {}, stops: 0 };

const read = <T>(text: string | null, otherwise: T): T => (text ? (JSON.parse(text) as T) : otherwise);

const LISTED = `r.id, r.number, r.title, r.place, r.promised, o.name AS owner, p.hull, p.progress`;
const FROM = `rigs r LEFT JOIN owners o ON o.id = r.ownerId LEFT JOIN projections p ON p.rigId = r.id`;

const rows = (db: Sequelize, sql: string): Promise<Row[]> => db.query<Row>(sql, { type: QueryTypes.SELECT });
const named = ({ owner, hull }: Pick<Row, 'owner' | 'hull'>) => ({ owner: owner ?? '', hull: hull ?? '' });

/** What lies on the floor, with each hull's outline: read off what was projected, never worked up. */
export async function floorOf(db: Sequelize): Promise<Floor> {
  const [here, gone, shop] = await Promise.all([
    rows(db, `SELECT ${LISTED}, p.outline FROM ${FROM} WHERE r.place NOT IN ('handed over', 'set aside') ORDER BY r.number`),
    rows(
      db,
      `SELECT ${LISTED}, p.outline FROM ${FROM} WHERE r.place = 'handed over' ORDER BY r.number DESC LIMIT ${HANDED_OVER}`,
    ),
    newestShop(),
  ]);
  const rigs = [...here, ...gone];
  // Most hulls are of a few models: their outlines go once.
  const outlines = new Map<string, number>();
  for (const { outline } of rigs) outlines.set(outline ?? '[]', outlines.get(outline ?? '[]') ?? outlines.size);
  return {
    shop: shop.name,
    today: todayIn(shop.timeZone),
    outlines: [...outlines.keys()].map((text) => JSON.parse(text) as [number, number][]),
    rigs: rigs.map(({ outline, progress, ...rig }) => ({
      ...rig,
      ...named(rig),
      outline: outlines.get(outline ?? '[]') ?? 0,
      progress: read(progress, NOTHING_YET),
    })),
  };
}

/** Every rig there is, with what comes next. */
export async function allRigs(db: Sequelize): Promise<RigList> {
  const [rigs, shop] = await Promise.all([rows(db, `SELECT ${LISTED} FROM ${FROM} ORDER BY r.number`), newestShop()]);
  return {
    today: todayIn(shop.timeZone),
    rigs: rigs.map(({ progress, ...rig }) => ({
      ...rig,
      ...named(rig),
      next: read(progress, NOTHING_YET).next,
    })),
  };
}
