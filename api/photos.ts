import { z } from 'zod';
import { STAFF, noneSchema, route } from './route';

/** A photo may bring an id of its own: sent twice, kept once. */
export const addPhotoSchema = z.object({ id: z.uuid().optional() });

export const addedPhotoSchema = z.object({ id: z.string(), name: z.string(), width: z.int(), height: z.int() });

export type AddedPhoto = z.infer<typeof addedPhotoSchema>;

/** The most photos one rig holds. */
export const PHOTO_LIMIT = 300;

/** Photos beside a plan. */
export const PHOTOS_ROUTES = {
  addPhoto: route({
    method: 'POST',
    path: '/api/rigs/:rig/photos',
    who: STAFF,
    says: 'Keep a photo beside the plan',
    body: addPhotoSchema,
    upload: { field: 'photo', bytes: 40_000_000 },
    answer: addedPhotoSchema,
  }),
  photo: route({ method: 'GET', path: '/api/rigs/:rig/photos/:photo', who: STAFF, says: 'A photo', file: 'image/jpeg' }),
  erasePhoto: route({
    method: 'DELETE',
    path: '/api/rigs/:rig/photos/:photo',
    who: STAFF,
    says: 'Erase a photo',
    answer: noneSchema,
  }),
} as const;
