import type { FileFault } from '@plain-cleat/core/rig';
import type { Problem } from '@plain-cleat/api';
import type { ErrorRequestHandler, Response } from 'express';
import { BaseError, ConnectionError, UniqueConstraintError } from 'sequelize';

/** An answer that says what is wrong and what would be right, as RFC 9457 problem JSON. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly says: string,
    readonly more: Pick<Problem, 'field' | 'faults' | 'clash'> = {},
  ) {
    super(`${title}: ${says}`);
  }
}

export const notFound = (field: string, says: string): HttpProblem => new HttpProblem(404, 'Not found', says, { field });
export const badInput = (faults: readonly FileFault[]): HttpProblem =>
  new HttpProblem(422, 'Not right yet', faults.map((f) => `${f.field}: ${f.says}`).join('; ') || 'nothing given', {
    field: faults[0]?.field,
    faults: [...faults],
  });
/** A request that is no request. */
export const malformed = (says: string): HttpProblem => new HttpProblem(400, 'Not understood', says, { field: '(whole)' });
/** It cannot be done now and may be in a moment: whoever works on loses nothing. */
export const busy = (says: string): HttpProblem => new HttpProblem(503, 'Busy', says);

/** Seconds after which one whom the server could not serve comes again. */
const AGAIN = 2;

/** Lock wait time-out; server going down; connection killed, gone or lost. */
const LOCKED = 1205;
const AWAY = new Set([1040, 1053, 1203, 1226, 1317, 1927, 2002, 2006, 2013, 45_009, 45_012, 45_013, 45_014, 45_025, 45_028]);

/** What a database that is away, or a row that somebody holds, means for whoever asked. */
function ofDatabase(error: unknown): HttpProblem | undefined {
  if (!(error instanceof BaseError)) return undefined;
  if (error instanceof UniqueConstraintError)
    return new HttpProblem(409, 'Changed meanwhile', 'somebody else did the same at this very moment; look again');
  const errno = (error as { parent?: { errno?: number } }).parent?.errno;
  if (errno === LOCKED) return busy('somebody else is changing this just now; try again in a moment');
  const away = error instanceof ConnectionError || (errno !== undefined && AWAY.has(errno));
  return away ? busy('the database is away; work on, it is sent when it is back') : undefined;
}

const size = (bytes: number): string =>
  bytes >= 1_000_000 ? `${Math.round(bytes / 1_000_000)} MB` : `${Math.round(bytes / 1000)} kB`;

/** What the parts that take requests in call them, in words for whoever sent them. */
function ofRequest(error: unknown): HttpProblem | undefined {
  const { type, code, limit, status } = error as { type?: string; code?: string; limit?: number; status?: number };
  if (type === 'entity.too.large')
    return new HttpProblem(413, 'Too large', `the request is larger than ${size(limit ?? 0)}`, { field: '(whole)' });
  if (code === 'LIMIT_FILE_SIZE')
    return new HttpProblem(413, 'Too large', 'the file is too large: at most 5 MB for a sheet, 40 MB for a photo', {
      field: 'file',
    });
  if (code?.startsWith('LIMIT_')) return new HttpProblem(422, 'Not right yet', 'one file at a time', { field: 'file' });
  if (type === 'entity.parse.failed')
    return new HttpProblem(400, 'Not JSON', 'the request body is not JSON', { field: '(whole)' });
  if (code === 'EBADCSRFTOKEN')
    return new HttpProblem(403, 'Stale page', 'reload the page and try again', { field: 'x-csrf-token' });
  // A bad address, encoding, charset or length; a request that was given up.
  return status !== undefined && status >= 400 && status < 500
    ? malformed('the request is damaged on its way; send it again')
    : undefined;
}

function send(res: Response, p: HttpProblem): void {
  const body: Problem = { type: 'about:blank', title: p.title, status: p.status, detail: p.says, ...p.more };
  if (p.status === 503) res.set('Retry-After', String(AGAIN));
  res.status(p.status).type('application/problem+json').send(JSON.stringify(body));
}

/** The last handler: turns whatever was thrown into a problem, without telling secrets. */
export const problems: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const known = error instanceof HttpProblem ? error : (ofDatabase(error) ?? ofRequest(error));
  if (known) {
    if (known.status >= 500) req.log.warn({ title: known.title, says: known.says }, 'not served');
    return send(res, known);
  }
  req.log.error({ err: error }, 'request failed');
  send(res, new HttpProblem(500, 'Something broke here', 'nothing was changed; try again'));
};
