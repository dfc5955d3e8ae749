import { ROUTES } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Sessions } from '../staff/sessions';
import { bind } from '../http/bind';

interface Watcher {
  /** Whose session. */
  readonly sid: string;
  readonly rigs: readonly string[];
  readonly res: Response;
  readonly seen: Map<string, string>;
}

/** At most half a second: any number of processes may stand behind a proxy, so each asks the database. */
const EVERY = 400;

/** How often a stream says that it is there: whoever hears nothing for three of them joins again, ms. */
const BEAT = 15_000;

/** How often it is asked whether those who listen are still here, ms. */
const CHECKED = 2000;

/** News as server-sent events: the version and fact count of each watched rig, when they move. */
export function eventRoutes(router: Router, db: Sequelize, sessions: Sessions): { stop(): void } {
  const watchers = new Set<Watcher>();
  let asking = false;
  const poll = async (): Promise<void> => {
    const ids = [...new Set([...watchers].flatMap((w) => w.rigs))];
    if (asking || ids.length === 0) return;
    asking = true;
    try {
      const rows = await db.query<{ id: string; version: number; factCount: number; place: string }>(
        'SELECT r.id, r.version, r.place, h.factCount FROM rigs r JOIN hulls h ON h.id = r.hullId WHERE r.id IN (:ids)',
        { replacements: { ids }, type: QueryTypes.SELECT },
      );
      for (const w of watchers)
        for (const row of rows) {
          const state = JSON.stringify(row);
          if (!w.rigs.includes(row.id) || w.seen.get(row.id) === state) continue;
          w.seen.set(row.id, state);
          w.res.write(`event: rig\ndata: ${state}\n\n`);
        }
    } catch {
      // The database is away: the next round tells.
    } finally {
      asking = false;
    }
  };
  /** A stream ends with its session. */
  const check = async (): Promise<void> => {
    for (const w of [...watchers])
      if (!(await sessions.who(w.sid).catch(() => true))) {
        watchers.delete(w);
        w.res.end();
      }
  };
  const beat = (): void => {
    for (const w of watchers) w.res.write('event: beat\ndata:\n\n');
  };
  const timers = [setInterval(() => void poll(), EVERY), setInterval(() => void check(), CHECKED), setInterval(beat, BEAT)];

  bind(router, ROUTES.events, async ({ query, req, res }) => {
    const rigs = query.rigs.split(',').filter(Boolean).slice(0, 40);
    const watcher: Watcher = { sid: req.session.id, rigs, res, seen: new Map() };
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    res.write('retry: 1000\n\n');
    watchers.add(watcher);
    req.on('close', () => watchers.delete(watcher));
  });
  return {
    stop() {
      timers.forEach((timer) => clearInterval(timer));
      for (const w of watchers) w.res.end();
    },
  };
}
