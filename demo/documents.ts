import { catalog, hullModel, type HullModel } from '@plain-cleat/core';
import brackwen from './brackwen-104.json';
import parts from './catalog.json';
import orrisk from './orrisk-138.json';
import pellin from './pellin-96.json';
import quenby from './quenby-126-wide.json';
import tolvane from './tolvane-118.json';

/** The demo's documents are read through the product's own schemas, like anybody's. */
export const CATALOG = catalog.parse(parts);
export const TOLVANE: HullModel = hullModel.parse(tolvane);
export const QUENBY: HullModel = hullModel.parse(quenby);
export const BRACKWEN: HullModel = hullModel.parse(brackwen);
export const ORRISK: HullModel = hullModel.parse(orrisk);
export const PELLIN: HullModel = hullModel.parse(pellin);
export const HULLS: readonly HullModel[] = [TOLVANE, QUENBY, BRACKWEN, ORRISK, PELLIN];
