import { z } from 'zod';
import { route } from './route';

/** Whether the server is up, and what it takes. */
export const HEALTH_ROUTES = {
  health: route({
    method: 'GET',
    path: '/healthz',
    who: 'anyone',
    says: 'Whether the server is up',
    answer: z.object({ ok: z.boolean() }),
  }),
  ready: route({
    method: 'GET',
    path: '/readyz',
    who: 'anyone',
    says: 'Whether the server can serve: its database answers',
    answer: z.object({ ok: z.boolean() }),
  }),
  openApi: route({
    method: 'GET',
    path: '/api/openapi.json',
    who: 'anyone',
    says: 'This interface as an OpenAPI document',
    answer: z.unknown(),
  }),
} as const;
