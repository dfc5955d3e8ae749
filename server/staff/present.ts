import type { Staff } from '@plain-cleat/api';
import type { RequestHandler } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { StaffRow } from '../database/models';

declare module 'express-session' {
  interface SessionData {
    staffId: string;
    /** When they signed in, ms. */
    since: number;
  }
}
declare module 'express-serve-static-core' {
  interface Request {
    /** Who is signed in, as the shop knows them now. */
    staff?: Staff;
  }
}

/** A member of staff as the interface knows them. */
export const staffOf = (row: Pick<StaffRow, 'id' | 'name' | 'role'>): Staff => ({
  id: row.id,
  name: row.name,
  role: row.role as Staff['role'],
});

/** Whoever left is signed in no more. */
export const isHere = (row: StaffRow | null): row is StaffRow => row !== null && row.ended === null;

/** A session as the server keeps it. */
export interface StoredSession {
  readonly sid: string;
  readonly staffId: string;
  readonly since: number;
}

/**
 * Asks who holds a session, of the database at every call: whoever left or is given another role is so from this
 * moment on. A session ends so long after its last call, and for good so long after its sign-in.
 */
export class Presence {
  /** @param longest ms */
  constructor(
    private readonly db: Sequelize,
    private readonly longest: number,
  ) {}

  async who({ sid, staffId, since }: StoredSession): Promise<Staff | null> {
    if (Date.now() - since >= this.longest) return null;
    const [row] = await this.db.query<Pick<StaffRow, 'id' | 'name' | 'role'>>(
      `SELECT p.id, p.name, p.role FROM staff p JOIN sessions s ON s.sid = :sid AND s.expires > UTC_TIMESTAMP()
       WHERE p.id = :staffId AND p.ended IS NULL`,
      { replacements: { sid, staffId }, type: QueryTypes.SELECT },
    );
    return row ? staffOf(row) : null;
  }

  /** Says on each request who makes it. */
  readonly middleware: RequestHandler = async (req, _res, next) => {
    const { staffId, since } = req.session;
    if (staffId === undefined || since === undefined) return next();
    const staff = await this.who({ sid: req.session.id, staffId, since });
    if (staff) req.staff = staff;
    else await new Promise<void>((done, failed) => req.session.regenerate((error) => (error ? failed(error as Error) : done())));
    next();
  };
}
