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
import { say, sideOf, type Sentence } from '../base/units';
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

/**
 * Proposes the lines of a rig: a trolley between the foremost and the aftermost pulley, an anchor's line through its ring to what
 * holds it and lets go of it, the same for a drogue and a stake, a lift for what turns and has an eye for it. Lines that the
 * rigger made or changed stay, and what they carry is left alone.
 */
export function proposeLines({ plan, owned, surface, ledger }: LineProposalInput): LineProposal {
  const kept = Object.entries(plan.lines).filter(([, l]) => !l.proposed);
  const ties = tiePointsOf(surface, owned, ledger)
    .filter((t) => t.room === null)
    .sort((a, b) => a.at.x - b.at.x);
  const lines = new Map<string, { line: Line; why: Sentence }>();
  const wants: Sentence[] = [];
  const carried = (item: Fitted): boolean => kept.some(([, l]) => l.carries === item.placed.id);
  const add = (id: string, line: Omit<Line, 'proposed'>, why: Sentence): string => {
    lines.set(id, { line: { ...line, proposed: true }, why });
    return id;
  };
  const holders = ties.filter((t) => t.lead.as === 'jam cleat' || t.lead.as === 'reel');
  const pulleys = ties.filter((t) => t.lead.as === 'pulley');
  const [fore, aft] = [pulleys[0], pulleys.at(-1)];
  const cleat = nearest(holders, surface.model.seat.x);
  // Where pulleys stand on the centre line, the side of the cleat decides, else the hand.
  const side = [fore?.at.y, cleat?.at.y].map((y) => sideOf(y ?? 0)).find((s) => s !== 'centre') ?? handSide(plan.brief.hand);
  let trolley = kept.find(([, l]) => l.use === 'anchor trolley')?.[0];
  if (trolley === undefined && fore && aft && aft.at.x - fore.at.x > surface.length / 3)
    trolley = add(
      `trolley-${fore.fitting ?? 'hull'}`,
      { ...usualLine('anchor trolley'), way: `outside ${side}`, through: [tied(fore), tied(aft)] },
      say`A loop between ${fore.letter} and ${aft.letter}, outside to ${side}${cleat ? say`, where ${cleat.letter} stands` : ''}.`,
    );
  for (const item of owned) {
    const { id, part, frame } = item.placed;
    if (carried(item) || item.placed.fitting.becomes?.is === 'left') continue;
    const use = part.moors && MOORED[part.moors.as];
    if (use) {
      if (!cleat) wants.push(say`a jam cleat or a reel in reach for ${item.letter}, ${part.name}`);
      else add(...moored(item, use, cleat));
      continue;
    }
    if (part.goesWith.answersTo.includes('rudder')) steer(item);
    const eye = ties.find((t) => t.fitting === id && t.rides !== undefined);
    if (!eye) continue;
    const cleats = ties.filter((t) => t.lead.as === 'jam cleat' || t.lead.as === 'cleat');
    const end = nearest(cleats, frame.origin.x);
    if (!end) continue;
    add(
      `lift-${id}`,
      { ...usualLine('motor lift'), carries: id, through: [tied(eye), tied(end)] },
      say`From the eye of ${item.letter} to ${end.letter}, which holds it up.`,
    );
  }

  /** At which end of the boat a point is: in the fore or the after quarter of its length; null between. */
  function endOf({ at }: TiePoint): 'the bow' | 'the stern' | null {
    const share = at.x / surface.length;
    return share < 0.25 ? 'the bow' : share > 0.75 ? 'the stern' : null;
  }

  /** A line from each arm of a rudder to the same side of what steers it. */
  function steer({ placed: { id, part }, letter }: Fitted): void {
    const arms = ties.filter((t) => t.fitting === id && t.lead.as === 'eye');
    const steering = owned.filter((i) => i.placed.id !== id && i.placed.part.goesWith.answersTo.includes('steering'));
    const ends = ties.filter((t) => steering.some((i) => i.placed.id === t.fitting) && t.lead.as === 'eye');
    for (const arm of arms) {
      const side = sideOf(arm.at.y);
      const to = ends.find(
        (t) => sideOf(t.at.y - (ends[0] && ends.at(-1) ? (ends[0].at.y + (ends.at(-1)?.at.y ?? 0)) / 2 : 0)) === side,
      );
      if (side === 'centre' || !to)
        return void wants.push(say`pedals or a knob with eyes for the lines of ${letter}, ${part.name}`);
      add(
        `rudder-${id}-${side}`,
        { ...usualLine('rudder line'), carries: id, way: `outside ${side}`, through: [tied(arm), tied(to)] },
        say`From the ${side} arm of ${letter} to ${to.letter}, on the same side.`,
      );
    }
  }

  function moored(item: Fitted, use: LineUse, end: TiePoint): [string, Omit<Line, 'proposed'>, Sentence] {
    const { id } = item.placed;
    const way = `outside ${side}` as const;
    if (use === 'anchor line' && trolley !== undefined)
      return [
        `anchor-${id}`,
        { ...usualLine(use), carries: id, way, through: [{ at: 'ring', line: trolley }, tied(end)] },
        say`Through the trolley’s ring, so that one chooses which end faces the stream; to ${end.letter}, which lets go at once.`,
      ];
    const eyes = ties.filter(
      (t) => t.fitting !== id && t.key !== end.key && t.rides === undefined && t.lead.as === 'eye' && endOf(t) !== null,
    );
    // A drogue by the stern as a rule, by the bow where there is no eye; what holds in a stream by the bow alone.
    const aft = [...eyes].reverse().find((t) => endOf(t) === 'the stern');
    const bow = eyes.find((t) => endOf(t) === 'the bow');
    const eye = use === 'drogue line' ? (aft ?? bow) : bow;
    const through = eye && Math.abs(eye.at.x - end.at.x) > 200 ? [tied(eye), tied(end)] : null;
    if (through && eye)
      return [
        `${use === 'drogue line' ? 'drogue' : use === 'stake-out cord' ? 'stake' : 'anchor'}-${id}`,
        { ...usualLine(use), carries: id, way, through },
        say`Through ${eye.letter || eye.name} at ${endOf(eye) ?? ''}, so that the boat lies to it by its end; to ${end.letter}.`,
      ];
    // Nothing leads it: it still wants two ends.
    const ring = ties.find((t) => t.fitting === id) ?? end;
    return [
      `line-${id}`,
      { ...usualLine(use), carries: id, through: [tied(ring), tied(end)] },
      say`Straight to ${end.letter}: no eye at an end of the boat leads it yet.`,
    ];
  }

  return { lines, wants, changes: lineChanges(plan, lines) };
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
const handSide = (hand: Plan['brief']['hand']): 'port' | 'starboard' => (hand === 'left' ? 'port' : 'starboard');
