import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { columnsOf, TABLES } from './models';

interface Step {
  name: string;
  up: (params: { context: QueryInterface }) => Promise<void>;
}

/** Tables and columns that came later than the first: each is made by the step that brought it. */
const LATER: readonly string[] = ['photos', 'headings', 'assemblies', 'remnants', 'cut_pieces'];
const ADDED: Partial<Record<keyof typeof TABLES, readonly string[]>> = {
  hulls: ['year', 'colour', 'notes'],
  staff: ['pinHash'],
};
const FIRST = (Object.keys(TABLES) as (keyof typeof TABLES)[]).filter((t) => !LATER.includes(t));

const MIGRATIONS: Step[] = [
  {
    name: '0001-first-tables',
    async up({ context }) {
      for (const table of FIRST) {
        const columns = columnsOf(table);
        for (const later of ADDED[table] ?? []) delete columns[later];
        await context.createTable(table, columns);
      }
      await context.addIndex('changes', ['rigId', 'version'], { unique: true });
      await context.addIndex('facts', ['hullId', 'id'], { unique: true });
      await context.addIndex('rigs', ['hullId']);
    },
  },
  {
    name: '0002-hulls-photos-headings-assemblies',
    async up({ context }) {
      for (const column of ADDED.hulls ?? []) await context.addColumn('hulls', column, columnsOf('hulls')[column] as never);
      for (const table of ['photos', 'headings', 'assemblies'] as const) await context.createTable(table, columnsOf(table));
      await context.addIndex('photos', ['rigId']);
    },
  },
  {
    name: '0003-remnants-and-cut-pieces',
    async up({ context }) {
      for (const table of ['remnants', 'cut_pieces'] as const) await context.createTable(table, columnsOf(table));
    },
  },
  {
    name: '0004-pins',
    async up({ context }) {
      await context.addColumn('staff', 'pinHash', columnsOf('staff').pinHash as never);
    },
  },
];

/** Brings the schema up to date; says which steps ran. */
export async function migrate(db: Sequelize): Promise<string[]> {
  const umzug = new Umzug({
    migrations: MIGRATIONS,
    context: db.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: db }),
    logger: undefined,
  });
  return (await umzug.up()).map((m) => m.name);
}
