import { Sequelize } from 'sequelize';

/** Opens the database. All instants are UTC; every table is InnoDB with utf8mb4. */
export function connect(url: string): Sequelize {
  return new Sequelize(url, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    pool: { max: 12, acquire: 20_000 },
    // On a busy machine a new connection may take longer than the driver's own second.
    dialectOptions: { connectTimeout: 10_000 },
    define: { timestamps: false, charset: 'utf8mb4' },
  });
}
