import { type ShopSettings, USUAL_SHOP } from '@plain-cleat/core/parts/shop';

/** Alder Slip works by the usual settings, and keeps the rules of the events its owners go to. */
export const SHOP: ShopSettings = {
  ...USUAL_SHOP,
  name: 'Alder Slip',
  place: 'Quay Street, Corrow Reach',
  timeZone: 'America/New_York',
  // There is no meter with a cable on this bench.
  wiring: { ...USUAL_SHOP.wiring, meter: true },
  rules: [
    {
      id: 'night-tours',
      name: 'Night tours',
      rules: [
        { rule: 'aboard', what: 'jacket', reach: 'at hand', says: 'The life jacket is worn' },
        { rule: 'aboard', what: 'signal', reach: 'at hand', says: 'Whistle or horn in reach' },
        { rule: 'white light', says: 'An all-round white light before sunset' },
        { rule: 'aboard', what: 'throw-bag', reach: 'half turn', says: 'A throw bag in reach' },
      ],
    },
    {
      id: 'skerry-day',
      name: 'Skerry handline day',
      rules: [
        { rule: 'aboard', what: 'jacket', reach: 'anywhere', says: 'The life jacket is worn' },
        { rule: 'most rods', count: 4, says: 'Four rods at the most' },
        { rule: 'aboard', what: 'measuring-board', reach: 'half turn', says: 'The measuring board in reach' },
      ],
    },
  ],
};
