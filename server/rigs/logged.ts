import { changeSchema } from '@plain-cleat/core/rig';
import type { LoggedChange } from '@plain-cleat/api';
import type { ChangeRow } from '../database/models';

/** A change of the log as far as it can be taken back by it. */
type Logged = Pick<ChangeRow, 'id' | 'version' | 'undoes' | 'inverse'>;

/** A change as whoever made it takes it back. Null where an owner was forgotten, and for what an earlier version wrote in words of its own. */
export function loggedChange({ id, version, undoes, inverse }: Logged): LoggedChange | null {
  const read = changeSchema.safeParse(JSON.parse(inverse));
  return read.success ? { id, version, undoes, inverse: read.data } : null;
}

/** Of somebody's changes, oldest first, the latest that can all be taken back. */
export function latestLogged(rows: readonly Logged[]): LoggedChange[] {
  const mine: LoggedChange[] = [];
  for (const row of rows.toReversed()) {
    const logged = loggedChange(row);
    if (!logged) break;
    mine.unshift(logged);
  }
  return mine;
}
