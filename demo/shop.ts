import { type ShopSettings, USUAL_SHOP } from '@plain-cleat/core';

/** Alder Slip works by the usual settings. */
export const SHOP: ShopSettings = {
  ...USUAL_SHOP,
  name: 'Alder Slip',
  place: 'Quay Street, Corrow Reach',
  timeZone: 'America/New_York',
};
