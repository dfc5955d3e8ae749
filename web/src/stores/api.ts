import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { type PathParameters, pathOf, type Endpoint } from '@plain-cleat/api/endpoints';
import { map, type Observable } from 'rxjs';
import type { z } from 'zod';
import { NotUnderstood } from './problems';

type Answer<R> = R extends Endpoint<z.ZodType, infer A> ? z.output<A> : never;
type Body<R> = R extends Endpoint<infer B> ? (z.ZodType extends B ? unknown : z.input<B>) : never;
type Path<R> = R extends Endpoint<z.ZodType, z.ZodType, infer P> ? PathParameters<P> : never;

/** What a call takes: the path's parameters, what stands behind its question mark, and a body by its schema or a form with a file. */
type Call<R> = Path<R> & {
  readonly body?: Body<R> | FormData;
  readonly query?: Readonly<Record<string, string | number>>;
};

type PathValues = Record<string, string>;

/**
 * The server, as its table of routes says: what goes in and what comes out is typed by their schemas, and no address
 * is typed by hand. Nothing is asked before somebody subscribes; who unsubscribes ends the call.
 */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /**
   * Calls a route. What is answered is read by the route's schema, but for a plan, which the very same code wrote.
   * @throws HttpErrorResponse with the server's problem
   * @throws NotUnderstood when the answer is not what the route promises
   * @example api.call(ROUTES.rig, { rig: id })
   */
  call<R extends Endpoint>(
    route: R,
    ...[call]: unknown extends Path<R> ? [call?: Call<R>] : [call: Call<R>]
  ): Observable<Answer<R>> {
    const { body, query, ...params } = (call ?? {}) as { body?: unknown; query?: Record<string, string> } & PathValues;
    const url = pathOf(route.path, params);
    const sent = route.method === 'POST' ? (body ?? {}) : undefined;
    return this.http
      .request(route.method, url, { body: sent, params: query })
      .pipe(map((answer) => understood(route, answer) as Answer<R>));
  }
}

function understood({ answer: schema, path, asWritten }: Endpoint, answer: unknown): unknown {
  if (!schema || asWritten) return answer;
  const read = schema.safeParse(answer);
  if (!read.success) throw new NotUnderstood(path, read.error);
  return read.data;
}
