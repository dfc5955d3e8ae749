import { LRUCache } from 'lru-cache';
import { QueryTypes, type Sequelize } from 'sequelize';

/** A day begins somewhere at every quarter of an hour, ms. */
const QUARTER = 900_000;

/** What papers and pages of a rig follow from, the day among it: when any of it moves, they are made anew. */
export async function stateOf(db: Sequelize, rigId: string): Promise<string> {
  const rows = await db.query(
    `SELECT r.version, h.factCount, h.serial, p.name,
       (SELECT GROUP_CONCAT(o.id, ' ', o.version, ' ', o.place ORDER BY o.id) FROM rigs o WHERE o.hullId = r.hullId) AS others
     FROM rigs r JOIN hulls h ON h.id = r.hullId LEFT JOIN owners p ON p.id = r.ownerId WHERE r.id = :rigId`,
    { replacements: { rigId }, type: QueryTypes.SELECT },
  );
  return JSON.stringify([rows, Math.floor(Date.now() / QUARTER)]);
}

/** Things as they were made last: asked for a hundred times, they are worked up once while what they follow from stays. */
export class Made<T> {
  private readonly made: LRUCache<string, { readonly state: string; readonly thing: Promise<T> }>;

  /** @param most so many are kept at once; what was not asked for longest goes first */
  constructor(most: number) {
    this.made = new LRUCache({ max: most });
  }

  of(key: string, state: string, make: () => Promise<T>): Promise<T> {
    const known = this.made.get(key);
    if (known?.state === state) return known.thing;
    const thing = make();
    this.made.set(key, { state, thing });
    thing.catch(() => this.made.delete(key));
    return thing;
  }
}
