/** What is done in a step. */
export type StepWork =
  | 'receive'
  | 'measure'
  | 'tape'
  | 'strip'
  | 'make'
  | 'agree'
  | 'drill'
  | 'fasten'
  | 'cure'
  | 'pull'
  | 'end'
  | 'test'
  | 'fit'
  | 'lead'
  | 'weigh'
  | 'hose'
  | 'photos';

/** A step before it is known how it stands. */
export interface Draft {
  readonly id: string;
  readonly work: StepWork;
  readonly says: string;
  readonly detail: string;
  readonly fitting: string | null;
  /** Hands on, by the shop's standard times. */
  readonly minutes: number;
  /** Time that passes and nobody works, hours. */
  readonly cureHours: number;
  readonly needs: readonly string[];
}

/** The name of a step that is done to one fitting, run or line. */
export const stepId = (work: StepWork, of: string): string => `${work}.${of}`;

/** A step of the build: of the whole boat, or of one fitting or run. */
export function step(
  what: StepWork | readonly [StepWork, string],
  says: string,
  minutes: number,
  needs: readonly string[],
  more: Partial<Draft> = {},
): Draft {
  const [work, of] = typeof what === 'string' ? [what] : what;
  const id = of === undefined ? work : stepId(work, of);
  return { id, work, says, detail: '', fitting: null, minutes, cureHours: 0, needs, ...more };
}
