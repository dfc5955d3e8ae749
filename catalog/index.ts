import { catalogSchema, type Catalog } from '@plain-cleat/core/parts/catalog';
import parts from './catalog.json';

/** The stores a shop starts from: parts of every kind and materials, with prices that are nobody's. */
export const CATALOG: Catalog = catalogSchema.parse(parts);
