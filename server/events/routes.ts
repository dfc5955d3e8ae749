import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { bind } from '../http/bind';
import type { News } from './news';

/** A stream watches so many rigs at the most. */
const MOST = 40;

/** News of rigs, as they come. */
export function eventRoutes(router: Router, news: News): void {
  bind(router, ROUTES.events, async ({ query, req, res }) =>
    news.watch(query.rigs.split(',').filter(Boolean).slice(0, MOST), req, res),
  );
}
