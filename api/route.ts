import { z } from 'zod';

/** Who may call a route. `anyone` needs no sign-in; `owner link` carries its own token. */
export const ROLES = ['front desk', 'rigger', 'manager'] as const;
export type Role = (typeof ROLES)[number];
export type Who = 'anyone' | 'owner link' | readonly Role[];

export interface Route<
  Body extends z.ZodType = z.ZodType,
  Query extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
  Path extends string = string,
> {
  readonly method: 'GET' | 'POST' | 'DELETE';
  readonly path: Path;
  readonly says: string;
  readonly who: Who;
  readonly body?: Body;
  /** The most JSON it takes, bytes; some 300 kB when left out. */
  readonly bytes?: number;
  readonly query?: Query;
  /** Absent for files and event streams. */
  readonly answer?: Answer;
  /** The answer is what this very code wrote and read by its schema: its caller need not read it so again. */
  readonly asWritten?: true;
  readonly file?: string;
  /** The one file it takes, as multipart form data: its field and most bytes. */
  readonly upload?: { readonly field: string; readonly bytes: number };
}

export const route = <B extends z.ZodType, Q extends z.ZodType, A extends z.ZodType, const P extends string>(
  r: Route<B, Q, A, P>,
): Route<B, Q, A, P> => r;

/** Any signed-in member of staff. */
export const STAFF: readonly Role[] = [...ROLES];

/** Those who open rigs for owners. */
export const FRONT_DESK: readonly Role[] = ['front desk', 'manager'];

/** An answer that says no more than that it was done. */
export const noneSchema = z.object({});
