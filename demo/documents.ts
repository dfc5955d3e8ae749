import { hullModelSchema, type HullModel } from '@plain-cleat/core/boat/hull';
import braskel from './braskel-133-deck.json';
import brackwen from './brackwen-104.json';
import fendrick from './fendrick-124-drive.json';
import orrisk from './orrisk-138.json';
import pellin from './pellin-96.json';
import quenby from './quenby-126-wide.json';
import sarrock from './sarrock-146-two.json';
import tolvane from './tolvane-118.json';

export { CATALOG } from '@plain-cleat/catalog';

/** The demo's documents are read through the product's own schemas, like anybody's. */
export const TOLVANE: HullModel = hullModelSchema.parse(tolvane);
export const QUENBY: HullModel = hullModelSchema.parse(quenby);
export const BRACKWEN: HullModel = hullModelSchema.parse(brackwen);
export const ORRISK: HullModel = hullModelSchema.parse(orrisk);
export const PELLIN: HullModel = hullModelSchema.parse(pellin);
export const SARROCK: HullModel = hullModelSchema.parse(sarrock);
export const FENDRICK: HullModel = hullModelSchema.parse(fendrick);
export const BRASKEL: HullModel = hullModelSchema.parse(braskel);
export const HULLS: readonly HullModel[] = [TOLVANE, QUENBY, BRACKWEN, ORRISK, PELLIN, SARROCK, FENDRICK, BRASKEL];
