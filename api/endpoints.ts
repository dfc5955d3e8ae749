import type { z } from 'zod';
import type * as s from './session-schemas';

/**
 * A route as its caller needs it: how it is called, and where. What it takes and gives is known to the compiler alone,
 * so that a page which only asks who is signed in brings no schema with it. Every route is one.
 */
export interface Endpoint<
  Body extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
  Path extends string = string,
> {
  readonly method: 'GET' | 'POST' | 'DELETE';
  readonly path: Path;
  readonly body?: Body;
  readonly answer?: Answer;
  /** The answer is what this very code wrote and read by its schema: its caller need not read it so again. */
  readonly asWritten?: true;
}

const endpoint =
  <B extends z.ZodType, A extends z.ZodType>(method: Endpoint['method']) =>
  <const P extends string>(path: P): Endpoint<B, A, P> => ({ method, path });

/** Who works here and comes in: what a page needs before it shows anything else. */
export const SESSION_ENDPOINTS = {
  session: endpoint<z.ZodType, typeof s.sessionSchema>('GET')('/api/session'),
  signIn: endpoint<typeof s.signInSchema, typeof s.sessionSchema>('POST')('/api/sign-in'),
  signOut: endpoint<z.ZodType, typeof s.sessionSchema>('POST')('/api/sign-out'),
  crew: endpoint<z.ZodType, typeof s.crewSchema>('GET')('/api/crew'),
  switchUser: endpoint<typeof s.switchUserSchema, typeof s.sessionSchema>('POST')('/api/switch-user'),
  choosePin: endpoint<typeof s.choosePinSchema, z.ZodType>('POST')('/api/pin'),
  prefer: endpoint<z.ZodType<Partial<s.Preferences>>, z.ZodType<Partial<s.Preferences>>>('POST')('/api/preferences'),
};

/** What stands for itself in a path: of `/api/rigs/:rig/photos/:photo` the rig and the photo. */
export type PathParameters<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? Readonly<Record<Name, string>> & PathParameters<Rest>
  : P extends `${string}:${infer Name}`
    ? Readonly<Record<Name, string>>
    : unknown;

/** A path with its parameters put in. */
export const pathOf = (path: string, params: Readonly<Record<string, string>> = {}): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));

/** Where a route is called or a file of it fetched, and what stands behind its question mark. */
export const addressOf = <P extends string>(
  { path }: { readonly path: P },
  params: PathParameters<P>,
  query: Readonly<Record<string, string>> = {},
): string => {
  const asked = Object.entries(query)
    .map(([name, value]) => `${name}=${encodeURIComponent(value)}`)
    .join('&');
  return `${pathOf(path, params as Readonly<Record<string, string>>)}${asked ? `?${asked}` : ''}`;
};
