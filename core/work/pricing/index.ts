export { lineFigures, lineInWords, tax, totals, type PriceItem } from './price-items';
export { priceUp, type Price } from './price-up';
