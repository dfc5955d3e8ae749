import type { Fitted } from '../holding/fitted';
import type { HullSurface } from '../boat/hull';
import {
  LINE_PATHS,
  proposedChanges,
  sameJson,
  type DraftChange,
  type Ledger,
  type Line,
  type LinePoint,
  type LineUse,
  type Plan,
} from '../rig';
import { tiePointsOf, type TiePoint } from '../holding/ties';
import { say, sideOf, type Sentence, type Side } from '../base/units';
import { USES, usualLine } from './uses';

/** What lines are proposed from. */
export interface LineProposalInput {
  readonly plan: Pick<Plan, 'lines'> & { readonly brief: Pick<Plan['brief'], 'hand'> };
  readonly owned: readonly Fitted[];
  readonly surface: HullSurface;
  readonly ledger: Pick<Ledger, 'seen'>;
}

/** Lines for what is aboard. */
export interface LineProposal {
  /** Every line of it that is not the rigger's own, with why it is so. */
  readonly lines: ReadonlyMap<string, { readonly line: Line; readonly why: Sentence }>;
  /** What it changes in the plan as it is. */
  readonly changes: readonly DraftChange[];
  /** What it could not do with what is aboard. */
  readonly wants: readonly Sentence[];
}

const tied = (tie: TiePoint): LinePoint => ({ at: 'tie', tie: tie.key });
const nearest = (ties: readonly TiePoint[], x: number): TiePoint | undefined =>
  [...ties].sort((a, b) => Math.abs(a.at.x - x) - Math.abs(b.at.x - x))[0];

type Draft = Omit<Line, 'proposed'>;

/**
 * Proposes the lines of a rig: a trolley between the foremost and the aftermost pulley, an anchor's line through its ring to what
 * holds it and lets go of it, the same for a drogue and a stake, a lift for what turns and has an eye for it. Lines that the
 * rigger made or changed stay, and what they carry is left alone.
 */
export function proposeLines(input: LineProposalInput): LineProposal {
  const proposer = new LineProposer(input);
  proposer.trolleyOf(input.plan.brief.hand);
  for (const item of input.owned) proposer.lineFor(item);
  const { lines, wants } = proposer;
  return { lines, wants, changes: lineChanges(input.plan, lines) };
}

/** What is proposed so far, over the tie points that are aboard. */
class LineProposer {
  readonly lines = new Map<string, { line: Line; why: Sentence }>();
  readonly wants: Sentence[] = [];
  private readonly kept: readonly [string, Line][];
  private readonly owned: readonly Fitted[];
  private readonly ties: readonly TiePoint[];
  private readonly length: number;
  /** Where a line ends that one lets go of: in reach of the seat. */
  private readonly cleat: TiePoint | undefined;
  private trolley: string | undefined;
  private side: Side = 'starboard';

  constructor({ plan, owned, surface, ledger }: LineProposalInput) {
    this.kept = Object.entries(plan.lines).filter(([, l]) => !l.proposed);
    this.owned = owned;
    this.length = surface.length;
    this.ties = tiePointsOf(surface, owned, ledger)
      .filter((t) => t.room === null)
      .sort((a, b) => a.at.x - b.at.x);
    this.cleat = nearest(this.leading('jam cleat', 'reel'), surface.model.seat.x);
    this.trolley = this.kept.find(([, l]) => l.use === 'anchor trolley')?.[0];
  }

  /** A loop between the foremost and the aftermost pulley, where there is none yet; on whose side the other lines go. */
  trolleyOf(hand: Plan['brief']['hand']): void {
    const { cleat } = this;
    const pulleys = this.leading('pulley');
    const [fore, aft] = [pulleys[0], pulleys.at(-1)];
    // Where pulleys stand on the centre line, the side of the cleat decides, else the hand.
    this.side = [fore?.at.y, cleat?.at.y].map((y) => sideOf(y ?? 0)).find((s) => s !== 'centre') ?? handSide(hand);
    if (this.trolley !== undefined || !fore || !aft || aft.at.x - fore.at.x <= this.length / 3) return;
    this.trolley = `trolley-${fore.fitting ?? 'hull'}`;
    this.add(
      this.trolley,
      { ...usualLine('anchor trolley'), way: `outside ${this.side}`, through: [tied(fore), tied(aft)] },
      say`A loop between ${fore.letter} and ${aft.letter}, outside to ${this.side}${cleat ? say`, where ${cleat.letter} stands` : ''}.`,
    );
  }

  /** What this fitting wants a line for: what moors the boat, what steers, what is lifted. */
  lineFor(item: Fitted): void {
    const { id, part, fitting } = item.placed;
    if (this.kept.some(([, l]) => l.carries === id) || fitting.becomes?.is === 'left') return;
    const use = part.moors && MOORED[part.moors.as];
    if (use) {
      if (this.cleat) this.moor(item, use, this.cleat);
      else this.wants.push(say`a jam cleat or a reel in reach for ${item.letter}, ${part.name}`);
      return;
    }
    if (part.goesWith.answersTo.includes('rudder')) this.steer(item);
    this.lift(item);
  }

  private add(id: string, line: Draft, why: Sentence): void {
    this.lines.set(id, { line: { ...line, proposed: true }, why });
  }

  private leading(...as: readonly TiePoint['lead']['as'][]): TiePoint[] {
    return this.ties.filter((t) => as.includes(t.lead.as));
  }

  /** At which end of the boat a point is: in the fore or the after quarter of its length; null between. */
  private endOf({ at }: TiePoint): 'the bow' | 'the stern' | null {
    const share = at.x / this.length;
    return share < 0.25 ? 'the bow' : share > 0.75 ? 'the stern' : null;
  }

  /** From the eye of what turns to the nearest cleat, which holds it up. */
  private lift({ placed: { id, frame }, letter }: Fitted): void {
    const eye = this.ties.find((t) => t.fitting === id && t.rides !== undefined);
    const end = nearest(this.leading('jam cleat', 'cleat'), frame.origin.x);
    if (!eye || !end) return;
    this.add(
      `lift-${id}`,
      { ...usualLine('motor lift'), carries: id, through: [tied(eye), tied(end)] },
      say`From the eye of ${letter} to ${end.letter}, which holds it up.`,
    );
  }

  /** A line from each arm of a rudder to the same side of what steers it. */
  private steer({ placed: { id, part }, letter }: Fitted): void {
    const eyes = this.leading('eye');
    const steering = this.owned.filter((i) => i.placed.id !== id && i.placed.part.goesWith.answersTo.includes('steering'));
    const ends = eyes.filter((t) => steering.some((i) => i.placed.id === t.fitting));
    const middle = ((ends[0]?.at.y ?? 0) + (ends.at(-1)?.at.y ?? 0)) / 2;
    for (const arm of eyes.filter((t) => t.fitting === id)) {
      const side = sideOf(arm.at.y);
      const to = ends.find((t) => sideOf(t.at.y - middle) === side);
      if (side === 'centre' || !to)
        return void this.wants.push(say`pedals or a knob with eyes for the lines of ${letter}, ${part.name}`);
      this.add(
        `rudder-${id}-${side}`,
        { ...usualLine('rudder line'), carries: id, way: `outside ${side}`, through: [tied(arm), tied(to)] },
        say`From the ${side} arm of ${letter} to ${to.letter}, on the same side.`,
      );
    }
  }

  /** The line of an anchor, a stake or a drogue: by the trolley's ring, by an eye at an end, or straight. */
  private moor({ placed: { id } }: Fitted, use: LineUse, end: TiePoint): void {
    const usual = { ...usualLine(use), carries: id };
    const way = `outside ${this.side}` as const;
    if (use === 'anchor line' && this.trolley !== undefined)
      return this.add(
        `anchor-${id}`,
        { ...usual, way, through: [{ at: 'ring', line: this.trolley }, tied(end)] },
        say`Through the trolley’s ring, so that one chooses which end faces the stream; to ${end.letter}, which lets go at once.`,
      );
    const eye = this.eyeFor(use, id, end);
    if (eye && Math.abs(eye.at.x - end.at.x) > 200)
      return this.add(
        `${use === 'drogue line' ? 'drogue' : use === 'stake-out cord' ? 'stake' : 'anchor'}-${id}`,
        { ...usual, way, through: [tied(eye), tied(end)] },
        say`Through ${eye.letter || eye.name} at ${this.endOf(eye) ?? ''}, so that the boat lies to it by its end; to ${end.letter}.`,
      );
    // Nothing leads it: it still wants two ends.
    const ring = this.ties.find((t) => t.fitting === id) ?? end;
    this.add(
      `line-${id}`,
      { ...usual, through: [tied(ring), tied(end)] },
      say`Straight to ${end.letter}: no eye at an end of the boat leads it yet.`,
    );
  }

  /** A drogue by the stern as a rule, by the bow where there is no eye; what holds in a stream by the bow alone. */
  private eyeFor(use: LineUse, id: string, end: TiePoint): TiePoint | undefined {
    const eyes = this.leading('eye').filter((t) => t.fitting !== id && t.key !== end.key && t.rides === undefined);
    const bow = eyes.find((t) => this.endOf(t) === 'the bow');
    if (use !== 'drogue line') return bow;
    return [...eyes].reverse().find((t) => this.endOf(t) === 'the stern') ?? bow;
  }
}

/** What proposed lines change in a plan. */
export const lineChanges = ({ lines: now }: Pick<Plan, 'lines'>, lines: LineProposal['lines']): DraftChange[] =>
  proposedChanges(now, new Map([...lines].map(([id, { line }]) => [id, line])), (line, from, to) => ({
    ...{ kind: 'leadLine', line, from, to },
  }));

/** The most places of one kind that a line is tried at: the nearest to the seat. */
const TRIED = 4;

/**
 * How else a proposed line could be led, one thing of it at a time: over the deck or outside either side; ended at what else
 * holds it; where it goes through an eye on its way, through another at the same end of the boat.
 */
export function otherLeads(line: Line, { owned, surface, ledger }: Omit<LineProposalInput, 'plan'>): Line[] {
  const [first, last] = [line.through[0], line.through.at(-1)];
  if (!first || !last) return [];
  const seat = surface.model.seat.x;
  const ties = tiePointsOf(surface, owned, ledger)
    .filter((t) => t.room === null && t.rides === undefined && t.fitting !== line.carries)
    .sort((a, b) => Math.abs(a.at.x - seat) - Math.abs(b.at.x - seat));
  const ofKind = (...kinds: readonly TiePoint['lead']['as'][]): LinePoint[] =>
    ties.filter((t) => kinds.includes(t.lead.as)).map(tied);
  const others = (all: readonly LinePoint[]): LinePoint[] =>
    all.filter((p) => !sameJson(p, first) && !sameJson(p, last)).slice(0, TRIED);
  const lifts = line.use === 'motor lift';
  const ends = USES[line.use].loop ? [] : others(lifts ? ofKind('jam cleat', 'cleat') : ofKind('jam cleat', 'reel'));
  const eye = lifts ? undefined : ties.find((t) => t.lead.as === 'eye' && sameJson(tied(t), first));
  const alike = ties.filter((t) => eye && t.lead.as === 'eye' && t.at.x < seat === eye.at.x < seat).map(tied);
  return [
    ...LINE_PATHS.filter((way) => way !== line.way).map((way) => ({ ...line, way })),
    ...ends.map((end) => ({ ...line, through: [...line.through.slice(0, -1), end] })),
    ...others(alike).map((start) => ({ ...line, through: [start, ...line.through.slice(1)] })),
  ];
}

/** What hangs on which line. */
const MOORED = { anchor: 'anchor line', stake: 'stake-out cord', drogue: 'drogue line' } as const;
const handSide = (hand: Plan['brief']['hand']): Side => (hand === 'left' ? 'port' : 'starboard');
