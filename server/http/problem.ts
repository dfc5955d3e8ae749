import type { FileFault } from '@plain-cleat/core';
import type { Problem } from '@plain-cleat/api';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';

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

function send(res: Response, p: HttpProblem): void {
  const body: Problem = { type: 'about:blank', title: p.title, status: p.status, detail: p.says, ...p.more };
  res.status(p.status).type('application/problem+json').send(JSON.stringify(body));
}

/** The last handler: turns whatever was thrown into a problem, without telling secrets. */
export const problems =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _req, res, next) => {
    if (res.headersSent) return next(error);
    if (error instanceof HttpProblem) return send(res, error);
    const known = error as { type?: string; code?: string };
    if (known.type === 'entity.too.large')
      return send(res, new HttpProblem(413, 'Too large', 'the request is larger than 5 MB', { field: '(whole)' }));
    if (known.code === 'LIMIT_FILE_SIZE')
      return send(
        res,
        new HttpProblem(413, 'Too large', 'the file is too large: at most 5 MB for a sheet, 40 MB for a photo', {
          field: 'file',
        }),
      );
    if (known.code?.startsWith('LIMIT_'))
      return send(res, new HttpProblem(422, 'Not right yet', 'one file at a time', { field: 'file' }));
    if (known.type === 'entity.parse.failed')
      return send(res, new HttpProblem(400, 'Not JSON', 'the request body is not JSON', { field: '(whole)' }));
    if (known.code === 'EBADCSRFTOKEN')
      return send(res, new HttpProblem(403, 'Stale page', 'reload the page and try again', { field: 'x-csrf-token' }));
    log.error({ err: error }, 'request failed');
    send(res, new HttpProblem(500, 'Something broke here', 'nothing was changed; try again'));
  };
