import { type BitRound, SAME_BIT } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';

/** One turn of the drill: a hole in the round of a bit. */
export interface Task {
  readonly key: string;
  readonly round: BitRound;
  readonly hole: PlannedHole;
  /** The hole is so large already. */
  readonly done: boolean;
}

/** What a round is told by: its work and its bit. */
export const roundKey = (round: Pick<BitRound, 'work' | 'bit'>): string => `${round.work} ${round.bit.name}`;

/** Everything still to do and done with the drill, in working order: bit by bit, each by its walk. */
export function tasksOf(rounds: readonly BitRound[], holes: readonly PlannedHole[]): Task[] {
  const byId = new Map(holes.map((h) => [h.id, h]));
  return rounds.flatMap((round) =>
    round.holes.flatMap((id): Task[] => {
      const hole = byId.get(id);
      const done = (hole?.drilled?.bit ?? 0) >= round.bit.mm - SAME_BIT;
      return hole ? [{ key: `${roundKey(round)} ${id}`, round, hole, done }] : [];
    }),
  );
}

/** What the drill does to a hole in a round, in the past, as it is held to mark. */
export function doneWord({ round, hole }: Task): string {
  if (round.work === 'pilot') return 'piloted';
  if (round.work === 'step up') return 'stepped up';
  return hole.reused ? 'opened up' : 'drilled';
}
