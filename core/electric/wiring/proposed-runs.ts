import type { HullSurface } from '../../boat/hull';
import type { Draw } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import { freeKey, proposedChanges, type Brief, type DraftChange, type Plan, type Run } from '../../rig';
import type { Sentence, Side } from '../../base/units';
import { idOf } from './asked-of';
import { feedsOver } from './run';

/** What a circuit is proposed from. */
export interface ProposalInput {
  readonly hull: HullSurface;
  readonly plan: Pick<Plan, 'runs'> & { readonly brief: Pick<Brief, 'wires'> };
  readonly owned: readonly Fitted[];
}

/** A circuit for everything aboard that draws. */
export interface Proposal {
  /** Every run of it that is not the rigger's own, with why it is so. */
  readonly runs: ReadonlyMap<string, { readonly run: Run; readonly why: Sentence }>;
  /** What it changes in the plan as it is. */
  readonly changes: readonly DraftChange[];
  /** What it could not do with what is aboard. */
  readonly wants: readonly Sentence[];
}

/** The runs of a circuit as it is proposed: the rigger's own, those added so far, and what is wanted for more. */
export class RunsSoFar {
  readonly kept: Readonly<Record<string, Run>>;
  /** Those of them that feed. */
  readonly keptFeeds: readonly Run[];
  readonly runs = new Map<string, { run: Run; why: Sentence }>();
  readonly wants: Sentence[] = [];

  constructor(runs: Plan['runs']) {
    this.kept = Object.fromEntries(Object.entries(runs).filter(([, r]) => !r.proposed));
    this.keptFeeds = Object.values(this.kept).filter(feedsOver);
  }

  /** Every run that feeds, the rigger's and those of this proposal. */
  feeding = (): Run[] => [...this.keptFeeds, ...[...this.runs.values()].map((r) => r.run)];
  isFed = (item: Fitted): boolean => this.keptFeeds.some((r) => r.to === idOf(item));
  isKept = (key: string): boolean => Object.hasOwn(this.kept, key);

  /** The id of the run that a fitting is fed by: the same each time it is proposed, and none of the rigger's. */
  runTo = (item: Fitted): string => freeKey(`feed-${idOf(item)}`, this.isKept);

  add(item: Fitted, run: Omit<Run, 'via' | 'awg' | 'proposed' | 'to'>, why: Sentence): void {
    this.runs.set(this.runTo(item), { run: { ...run, to: idOf(item), via: [], awg: null, proposed: true }, why });
  }

  /** @param now the runs of the plan as it is */
  proposal(now: Plan['runs']): Proposal {
    const made = new Map([...this.runs].map(([id, { run }]) => [id, run]));
    const changes = proposedChanges(now, made, (run, from, to) => ({ kind: 'routeRun', run, from, to }));
    return { runs: this.runs, changes, wants: this.wants };
  }
}

/**
 * The lane of a cable to a fitting: inside or outside as the brief has it, along the side of what is fed; the motor's cable along
 * one side, what it would disturb along the other.
 */
export function lanesFor({ owned, plan }: ProposalInput): (to: Fitted, draw?: Pick<Draw, 'of'> | null) => Run['lane'] {
  const where = plan.brief.wires === 'inside' ? 'inside' : 'outside';
  const disturbed = owned.filter(({ placed: { part } }) => part.power?.draw?.of === 'electronics' || part.screen);
  const leans = disturbed.reduce((sum, { placed }) => sum + Math.sign(placed.frame.origin.y), 0);
  const motorSide: Side = leans > 0 ? 'port' : 'starboard';
  const away = motorSide === 'port' ? 'starboard' : 'port';
  const motored = owned.some((i) => i.placed.part.power?.draw?.of === 'motor');
  return ({ placed }, draw = null) => {
    const own = placed.frame.origin.y > 0 ? 'starboard' : 'port';
    const heard = draw?.of === 'electronics' || placed.part.signal !== undefined;
    return `${where} ${draw?.of === 'motor' ? motorSide : heard && motored ? away : own}`;
  };
}
