import { ASSEMBLIES } from './assemblies';
import { HULLS } from './documents';
import { demoRigs } from './rigs';
import { SHOP } from './shop';
import { STAFF } from './staff';

/** Alder Slip as the demo opens it: its people, its hulls, its settings, its assemblies and its rigs. */
export const DEMO_SHOP = {
  people: STAFF,
  hulls: HULLS,
  settings: SHOP,
  assemblies: ASSEMBLIES,
  lastNumber: 143,
  rigs: demoRigs,
};
