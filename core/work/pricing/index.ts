export { lineFigures, lineInWords, tax, totals, type PriceLine } from './ledger';
export { priceUp, type Price } from './price-up';
