export { isObject, type Json } from './json';
export { keySchema, tieKeySchema } from './key';
export { ofOwner, ofShop, withoutOwner } from './texts';
