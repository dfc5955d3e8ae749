import type { Part } from '@plain-cleat/core/parts/parts';
import { QueryTypes, type Sequelize } from 'sequelize';
import { partsAt } from '../revisions/revisions';

/** So many parts are a page. */
const PAGE = 30;

/** Words that the full-text index does not hold: shorter than these, or in its list of words that say nothing. */
const SHORTEST = 3;
const SAY_NOTHING = new Set('about are com for from how that the this was what when where who will with und www'.split(' '));

/** Parts whose name or kind has words that begin like these, best first, a page at a time. */
export async function findParts(db: Sequelize, text: string, page: number): Promise<{ parts: Part[]; more: boolean }> {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .slice(0, 8);
  const isIndexed = (w: string): boolean => w.length >= SHORTEST && !SAY_NOTHING.has(w);
  const indexed = words.filter(isIndexed).map((w) => `+${w}*`);
  const others = words.filter((w) => !isIndexed(w));
  const matches = 'MATCH (name, french, kind) AGAINST (:indexed IN BOOLEAN MODE)';
  const where = [
    ...(indexed.length ? [matches] : []),
    ...others.map((_, i) => `CONCAT_WS(' ', name, french, kind) LIKE :other${i}`),
  ];
  const rows = await db.query<{ id: string; revision: number }>(
    `SELECT id, revision FROM parts ${where.length ? `WHERE ${where.join(' AND ')}` : ''}
     ORDER BY ${indexed.length ? `${matches} DESC,` : ''} name, id LIMIT ${PAGE + 1} OFFSET :skip`,
    {
      replacements: {
        indexed: indexed.join(' '),
        skip: page * PAGE,
        ...Object.fromEntries(others.map((w, i) => [`other${i}`, `%${w}%`])),
      },
      type: QueryTypes.SELECT,
    },
  );
  return { parts: await partsAt(rows.slice(0, PAGE)), more: rows.length > PAGE };
}
