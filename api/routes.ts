import { HEALTH_ROUTES } from './health';
import { STAFF_ROUTES } from './staff';
import { FLOOR_ROUTES } from './floor';
import { HULLS_ROUTES } from './hulls';
import { WISHES_ROUTES } from './wishes';
import { ASSEMBLIES_ROUTES } from './assemblies';
import { PARTS_ROUTES } from './parts';
import { SHOP_ROUTES } from './shop';
import { CUTS_ROUTES } from './cuts';
import { PHOTOS_ROUTES } from './photos';
import { OWNERS_ROUTES } from './owners';
import { RIGS_ROUTES } from './rigs';
import { EVENTS_ROUTES } from './events';
import { DOCUMENTS_ROUTES } from './documents';
import { SESSION_ROUTES } from './session';

/** Every route of the server: method, path, who may call it, what goes in and comes out. A feature is a file of its own and a line here. */
export const ROUTES = {
  ...HEALTH_ROUTES,
  ...SESSION_ROUTES,
  ...STAFF_ROUTES,
  ...FLOOR_ROUTES,
  ...HULLS_ROUTES,
  ...WISHES_ROUTES,
  ...ASSEMBLIES_ROUTES,
  ...PARTS_ROUTES,
  ...SHOP_ROUTES,
  ...CUTS_ROUTES,
  ...PHOTOS_ROUTES,
  ...OWNERS_ROUTES,
  ...RIGS_ROUTES,
  ...EVENTS_ROUTES,
  ...DOCUMENTS_ROUTES,
} as const;
