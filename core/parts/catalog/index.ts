export { settleFormulas } from './formulas';
export {
  catalogSchema,
  consumableSchema,
  materialsSchema,
  stockSchema,
  type Catalog,
  type Consumable,
  type Materials,
  type Stock,
} from './schema';
export { matchWish, readWishes, splitWish, wishIndex, type ReadWish, type WishIndex, type WishMatch } from './wish';
export { COLUMN_MEANINGS, plainHeading, readSheet, sheetSum, sheetWishes, type ColumnMeaning } from './wish-sheet';
