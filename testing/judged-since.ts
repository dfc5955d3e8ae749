import { KINDS } from '@plain-cleat/core/checks/findings';

/** Whether plans of a version of the rig file were judged by a check: of older ones it is said now, and was not then. */
export const judgedIn =
  (version: number) =>
  ({ code }: { readonly code: string }): boolean =>
    (KINDS as Readonly<Record<string, { readonly since: number }>>)[code]!.since <= version;
