import { ASSEMBLIES, CATALOG, demoRigs, HULLS, SHOP, STAFF } from '@plain-cleat/demo';
import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { AssemblyRow, CatalogRow, CounterRow, HullModelRow, RigRow, ShopRow, StaffRow } from './database/models';
import { todayIn } from './rigs/load';
import { importRig } from './rigs/open';
import { Projection } from './rigs/progress';
import { hashPassword } from './staff/passwords';

/** Loads the demo shop into an empty database, its rigs as any rig file's. */
export async function seed(db: Sequelize, log: Logger): Promise<boolean> {
  if ((await StaffRow.count()) > 0) return false;
  for (const { password, pin, ...person } of STAFF)
    await StaffRow.create({ ...person, passwordHash: await hashPassword(password), pinHash: await hashPassword(pin) });
  for (const hull of HULLS) await HullModelRow.create({ id: hull.id, revision: hull.revision, document: JSON.stringify(hull) });
  await CatalogRow.create({ revision: CATALOG.revision, document: JSON.stringify(CATALOG) });
  await ShopRow.create({ revision: SHOP.revision, document: JSON.stringify(SHOP) });
  for (const a of ASSEMBLIES) await AssemblyRow.create({ id: a.id, version: a.version, document: JSON.stringify(a) });
  await CounterRow.create({ name: 'rig', value: 143 });
  const projection = new Projection(log);
  for (const { file, place } of demoRigs(todayIn(SHOP.timeZone))) {
    const { id } = await importRig(db, file, { place, foreign: false });
    // The demo's rigs live on the shop's own hulls, catalog and settings.
    await RigRow.update({ carried: null }, { where: { id } });
    projection.touch(id);
  }
  await projection.settled();
  return true;
}
