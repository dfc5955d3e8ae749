import type { Request, Response } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Sessions } from '../staff/sessions';

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
export class News {
  private readonly watchers = new Set<Watcher>();
  private asking = false;
  private readonly timers: readonly NodeJS.Timeout[];

  constructor(
    private readonly db: Sequelize,
    private readonly sessions: Sessions,
  ) {
    this.timers = [
      setInterval(() => void this.poll(), EVERY),
      setInterval(() => void this.check(), CHECKED),
      setInterval(() => this.beat(), BEAT),
    ];
  }

  /** Opens a stream of news of some rigs; it ends with its call or its session. */
  watch(rigs: readonly string[], req: Request, res: Response): void {
    const watcher: Watcher = { sid: req.session.id, rigs, res, seen: new Map() };
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    res.write('retry: 1000\n\n');
    this.watchers.add(watcher);
    req.on('close', () => this.watchers.delete(watcher));
  }

  /** Ends every stream. */
  stop(): void {
    this.timers.forEach((timer) => clearInterval(timer));
    for (const w of this.watchers) w.res.end();
  }

  private async poll(): Promise<void> {
    const ids = [...new Set([...this.watchers].flatMap((w) => w.rigs))];
    if (this.asking || ids.length === 0) return;
    this.asking = true;
    try {
      const rows = await this.db.query<{ id: string; version: number; factCount: number; place: string }>(
        'SELECT r.id, r.version, r.place, h.factCount FROM rigs r JOIN hulls h ON h.id = r.hullId WHERE r.id IN (:ids)',
        { replacements: { ids }, type: QueryTypes.SELECT },
      );
      for (const w of this.watchers)
        for (const row of rows) {
          const state = JSON.stringify(row);
          if (!w.rigs.includes(row.id) || w.seen.get(row.id) === state) continue;
          w.seen.set(row.id, state);
          w.res.write(`event: rig\ndata: ${state}\n\n`);
        }
    } catch {
      // The database is away: the next round tells.
    } finally {
      this.asking = false;
    }
  }

  /** A stream ends with its session. */
  private async check(): Promise<void> {
    for (const w of [...this.watchers])
      if (!(await this.sessions.who(w.sid).catch(() => true))) {
        this.watchers.delete(w);
        w.res.end();
      }
  }

  private beat(): void {
    for (const w of this.watchers) w.res.write('event: beat\ndata:\n\n');
  }
}
