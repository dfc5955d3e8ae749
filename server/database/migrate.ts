import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { columnsOf, TABLES } from './models';

interface Step {
  name: string;
  up: (params: { context: QueryInterface }) => Promise<void>;
}

const MIGRATIONS: Step[] = [
  {
    name: '0001-first-tables',
    async up({ context }) {
      for (const table of Object.keys(TABLES) as (keyof typeof TABLES)[]) await context.createTable(table, columnsOf(table));
      await context.addIndex('changes', ['rigId', 'version'], { unique: true });
      await context.addIndex('facts', ['hullId', 'id'], { unique: true });
      await context.addIndex('rigs', ['hullId']);
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
