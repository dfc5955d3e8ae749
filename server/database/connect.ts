import { type PoolOptions, Sequelize } from 'sequelize';

/** The longest that one waits for a row that somebody else holds, seconds. */
const LOCK_WAIT = 3;

/** Opens the database. All instants are UTC; every table is InnoDB with utf8mb4. */
export function connect(url: string, pool: Partial<PoolOptions> = {}): Sequelize {
  return new Sequelize(url, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    // Whoever waits longer than this for a connection is told to come again, rather than kept in silence.
    pool: { max: 16, acquire: 4000, ...pool },
    // On a busy machine a new connection may take longer than the driver's own second.
    dialectOptions: { connectTimeout: 10_000, initSql: `SET SESSION innodb_lock_wait_timeout = ${LOCK_WAIT}` },
    define: { timestamps: false, charset: 'utf8mb4' },
  });
}
