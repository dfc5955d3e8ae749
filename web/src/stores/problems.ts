import type { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@plain-cleat/api';

/** The server answers what this page does not understand: another build of it, or something between the two. */
export class NotUnderstood extends Error {
  constructor(path: string, cause: unknown) {
    super('The server and this page do not understand each other. Reload the page; what is not sent yet is kept.', { cause });
    this.name = `NotUnderstood ${path}`;
  }
}

/** No answer came, or none of the server's own. */
export const isGone = (error: unknown): boolean => {
  const { status } = error as Partial<HttpErrorResponse>;
  return status === 0 || status === 502 || status === 503 || status === 504;
};

/** The page's token is not the session's any more. */
export const isStale = (error: HttpErrorResponse): boolean =>
  error.status === 403 && (error.error as Problem | null)?.field === 'x-csrf-token';

/**
 * Whether sending again can help: no answer, a broken server, a session that ran out, a stale page.
 * Any other answer is the server's last word on it, such as what only a manager may accept.
 */
export const mayPass = (error: HttpErrorResponse): boolean =>
  error.status === 0 || error.status >= 500 || error.status === 401 || error.status === 429 || isStale(error);

/** What went wrong, in words for the person at the screen. */
export function wordsOf(error: unknown): string {
  const response = error as Partial<HttpErrorResponse>;
  const problem = response.error as Partial<Problem> | null | undefined;
  if (problem?.detail)
    return problem.faults?.length ? problem.faults.map((f) => `${f.field}: ${f.says}`).join('\n') : problem.detail;
  if (error instanceof NotUnderstood) return error.message;
  if (isGone(error)) return 'The server does not answer. What you did is kept here and sent when it does.';
  return 'Something broke. Nothing was changed; try again.';
}
