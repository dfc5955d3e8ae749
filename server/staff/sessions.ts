import type { Staff } from '@plain-cleat/api';
import connectSession from 'connect-session-sequelize';
import type { RequestHandler } from 'express';
import session, { type SessionData } from 'express-session';
import { LRUCache } from 'lru-cache';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { StaffRow } from '../database/models';
import { staffOf } from './crew';

declare module 'express-session' {
  interface SessionData {
    staffId: string;
    /** When they signed in, ms. */
    since: number;
    /** Who holds it, as the shop knew them when it was read. A function: JSON leaves it out, so it is never stored. */
    holder: () => Staff | null;
  }
}
declare module 'express-serve-static-core' {
  interface Request {
    /** Who is signed in, as the shop knows them now. */
    staff?: Staff;
  }
}

/** How often it is kept that somebody is still there, and what has ended is cleared away, ms. */
const [TOUCHED, CLEARED] = [60_000, 900_000];

/** How long sessions last, ms. */
export interface Lasting {
  /** After the last call. */
  readonly idle: number;
  /** After sign-in, whatever is called. */
  readonly longest: number;
}

type SignedIn = { readonly data: string } & Pick<StaffRow, 'id' | 'name' | 'role'>;

/**
 * Sessions in the database, each read with whoever holds it, at every call: whoever left or is given another role is
 * so from this moment on.
 */
export class Sessions extends connectSession(session.Store) {
  constructor(
    private readonly db: Sequelize,
    private readonly lasting: Lasting,
  ) {
    super({ db, tableName: 'sessions', checkExpirationInterval: CLEARED, expiration: lasting.idle });
    // A session's last call is kept to the minute: reading a list writes nothing.
    const touched = new LRUCache<string, true>({ max: 1000, ttl: TOUCHED });
    const keep = this.touch.bind(this);
    this.touch = (sid, data, done) => {
      if (touched.has(sid)) return done?.(undefined);
      touched.set(sid, true);
      keep(sid, data, done);
    };
  }

  private async held(sid: string): Promise<SessionData | null> {
    const [row] = await this.db.query<SignedIn>(
      `SELECT s.data, p.id, p.name, p.role
       FROM sessions s LEFT JOIN staff p ON p.id = JSON_VALUE(s.data, '$.staffId') AND p.ended IS NULL
       WHERE s.sid = :sid AND s.expires > UTC_TIMESTAMP()`,
      { replacements: { sid }, type: QueryTypes.SELECT },
    );
    if (!row) return null;
    const data = JSON.parse(row.data) as SessionData;
    const over = Date.now() - (data.since ?? 0) >= this.lasting.longest;
    const staff = row.id === null || over ? null : staffOf(row);
    return { ...data, holder: () => staff };
  }

  override get(sid: string, done: (error: unknown, data?: SessionData | null) => void): void {
    this.held(sid).then((data) => done(null, data), done);
  }

  /** Who holds a session now; null when it is over or they left. */
  who = async (sid: string): Promise<Staff | null> => (await this.held(sid))?.holder() ?? null;

  /** Says on each request who makes it. */
  readonly present: RequestHandler = (req, _res, next) => {
    const { staffId, holder } = req.session;
    if (staffId === undefined) return next();
    const staff = holder?.();
    if (!staff) return void req.session.regenerate(next);
    req.staff = staff;
    next();
  };
}
