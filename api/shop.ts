import { hullModelSchema } from '@plain-cleat/core/boat/hull';
import { shopSettingsSchema } from '@plain-cleat/core/parts/shop';
import { z } from 'zod';
import { rangeHashSchema } from './parts';
import { STAFF, route } from './route';

export const saveShopSchema = z.strictObject({
  settings: shopSettingsSchema,
  expects: z.int().min(1).describe('the revision they were made from'),
});

/** What an assembly is built from, without a boat, besides the parts of the range. */
export const storesListSchema = z.object({
  range: rangeHashSchema,
  hulls: z.array(hullModelSchema),
  shop: shopSettingsSchema,
});

export const backupsSchema = z.object({ last: z.string().nullable().describe('ISO, null when there is none') });

export type StoresList = z.infer<typeof storesListSchema>;
export type Backups = z.infer<typeof backupsSchema>;

/** The settings of the shop, and what it sells. */
export const SHOP_ROUTES = {
  shop: route({ method: 'GET', path: '/api/shop', who: STAFF, says: "The shop's settings", answer: shopSettingsSchema }),
  saveShop: route({
    method: 'POST',
    path: '/api/shop',
    who: ['manager'],
    says: "Keep a new revision of the shop's settings",
    bytes: 1_000_000,
    body: saveShopSchema,
    answer: shopSettingsSchema,
  }),
  backups: route({
    method: 'GET',
    path: '/api/backups',
    who: ['manager'],
    says: 'When the last backup was made',
    answer: backupsSchema,
  }),
  stores: route({
    method: 'GET',
    path: '/api/stores',
    who: STAFF,
    says: 'Range, hulls and settings as they are now',
    answer: storesListSchema,
  }),
} as const;
