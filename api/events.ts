import { z } from 'zod';
import { STAFF, route } from './route';

/** News of the rigs being watched. */
export const EVENTS_ROUTES = {
  events: route({
    method: 'GET',
    path: '/api/events',
    who: STAFF,
    says: 'News of the rigs being watched, as server-sent events',
    query: z.object({ rigs: z.string().max(2000) }),
    file: 'text/event-stream',
  }),
} as const;
