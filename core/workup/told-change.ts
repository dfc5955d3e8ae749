import {
  applyChange,
  Clash,
  type Change,
  editsOf,
  entryOf,
  type Plan,
  Refused,
  sameJson,
  type SimpleChange,
  singleChanges,
  verbOf,
} from '../rig';
import { fieldWords, type Told } from './field-words';

/** What is deleted by a change, for a person: “B, Rod tube”, “3 fittings”; null when nothing is. */
export function deletedBy(change: Change, told: Told): string | null {
  const gone = singleChanges(change).filter(
    (c) => verbOf(c.kind).words.deletes === true && (c.kind === 'takeOffItem' || ('to' in c && c.to === null)),
  );
  const fittings = gone.filter((c) => c.kind === 'takeOffItem');
  if (fittings.length > 1) return `${fittings.length} fittings`;
  const [one] = fittings.length ? fittings : gone;
  const [edit] = one ? editsOf(one) : [];
  return edit ? fieldWords(edit.path.join('/'), told) : null;
}
/**
 * A change made anew over what others did meanwhile: it expects what the plan holds now.
 * @returns null when it cannot be: what it is about is gone, or it would leave the plan broken
 */
export function overTheirs(plan: Plan, change: Change, newId: () => string): Change | null {
  const changes: SimpleChange[] = [];
  let at = plan;
  try {
    for (const asked of singleChanges(change)) {
      const anew = expecting(at, asked);
      if (!anew) continue;
      at = applyChange(at, anew).plan;
      changes.push({ ...anew, id: newId() });
    }
  } catch (error) {
    if (error instanceof Clash || error instanceof Refused) return null;
    throw error;
  }
  const [only, ...more] = changes;
  return !only ? null : more.length ? { id: newId(), kind: 'together', changes } : only;
}

/** The same single change, expecting what the plan holds now; null when the plan holds what it wants already. */
function expecting(plan: Plan, change: SimpleChange): SimpleChange | null {
  if (change.kind === 'answerBrief') {
    const from = Object.fromEntries(Object.keys(change.to).map((q) => [q, plan.brief[q as keyof Plan['brief']]]));
    return sameJson(from, change.to) ? null : { ...change, from };
  }
  const [edit] = editsOf(change);
  const now = edit?.path.reduce<unknown>((at, key) => entryOf((at ?? {}) as Record<string, unknown>, key), plan) ?? null;
  if (sameJson(now, edit?.to ?? null)) return null;
  return change.kind === 'placeItem' ? change : ({ ...change, from: now } as SimpleChange);
}
