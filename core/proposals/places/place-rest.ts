import { otherSide } from '../../checks/findings';
import type { Part } from '../../parts/parts';
import type { DraftChange } from '../../rig';
import { Memory } from '../../base/stages';
import { withParts, workUp, type Workup, type WorkupInput } from '../../workup';
import { bestHeld } from '../../checks/advice';
import { placedBy, triedWith, withChanges } from '../fixes';
import { companionsFor, connectionsFor } from './extras';
import { PlaceTrials, type Extras, type PlaceSearch, type TriedPlace } from './place-trials';
import { beforeOf, byScore, itemScore, newlyFound, rigScore, type Before, type Score } from './score';

/** One piece that is wished for and not aboard. */
export interface Wanted {
  readonly wish: string;
  readonly part: Part;
}

/** What has no place that passes, with the least bad that was found for it. */
export interface Lacking extends Wanted {
  readonly stopped: TriedPlace | null;
}

/** How far placing the rest has come. */
export interface RestSoFar {
  readonly placed: number;
  readonly of: number;
  /** What is placed so far, as one. */
  readonly changes: readonly DraftChange[];
  readonly extras: Extras['names'];
  readonly lacking: readonly Lacking[];
  readonly trials: number;
  /** How much of its workups is made, 0 to 1. */
  readonly share: number;
  readonly doing: 'placing' | 'improving' | 'done';
}

/** Of the workups of a search, so many are made for each piece; the others make the whole better. */
const FOR_EACH = 20;

/** How much room a part takes: the larger, the harder to place. */
const room = ({ body }: Part): number =>
  Math.max(body.base.length * body.base.width, ...body.solids.map((s) => (s.u[1] - s.u[0]) * (s.v[1] - s.v[0])));

/**
 * Places all that is wished for and not aboard: the hardest first, each where it goes best with what stands there, then each again
 * among all the others, on the other side too, as long as the workups last. What stands aboard stays. What they need, their feeds
 * and their lines come at the end.
 * @param search its budget is of the whole
 */
export function* placeRest(input: WorkupInput, wanted: readonly Wanted[], search: PlaceSearch): Generator<RestSoFar, RestSoFar> {
  const rest = new Rest(input, search, wanted);
  for (const one of [...wanted].sort((a, b) => room(b.part) - room(a.part))) yield* rest.place(one);
  yield* rest.improve();
  return rest.finish();
}

/** A piece where it is placed. */
type PlacedPiece = Pick<TriedPlace, 'item' | 'stack' | 'changes'> & { readonly wanted: Wanted };

/** The rig with some pieces in it. */
interface Whole {
  readonly pieces: readonly PlacedPiece[];
  readonly after: Workup;
  readonly score: Score;
}

class Rest {
  private readonly memory = new Memory();
  private readonly input: WorkupInput;
  private readonly of: number;
  private readonly before: Before;
  private now: Whole;
  private readonly lacking: Lacking[] = [];
  private trials = 0;

  constructor(
    input: WorkupInput,
    private readonly search: PlaceSearch,
    wanted: readonly Wanted[],
  ) {
    this.input = withParts(input, [...search.range, ...wanted.map((w) => w.part)]);
    this.of = wanted.length;
    const after = workUp(this.input, this.memory);
    this.before = beforeOf(this.input, after);
    this.now = { pieces: [], after, score: this.scoreOf([], after) };
  }

  /** Places of a piece among some others. */
  private trialsOf({ part }: Wanted, others: readonly PlacedPiece[], budget: number): PlaceTrials {
    const input = { ...this.input, plan: withChanges(this.input.plan, changesOf(others)) };
    return new PlaceTrials(input, part, { ...this.search, budget }, this.memory);
  }

  /** How good the rig is with some pieces, each place of them counted. */
  private scoreOf(pieces: readonly PlacedPiece[], after: Workup): Score {
    const scores = pieces.map((p) => itemScore(this.before, after, p.item));
    const sum = (by: keyof (typeof scores)[number]): number => scores.reduce((n, s) => n + s[by], 0);
    return {
      ...rigScore(this.before, after, newlyFound(this.before, after)),
      ...{ hand: sum('hand'), habit: sum('habit'), near: sum('near') },
      ...{ side: sum('side'), across: sum('across'), along: sum('along') },
    };
  }

  /** The rig with these pieces, worked up; null where the plan does not take them. */
  private wholeOf(pieces: readonly PlacedPiece[]): Whole | null {
    const after = triedWith(this.input, changesOf(pieces), this.memory);
    return after && { pieces, after, score: this.scoreOf(pieces, after) };
  }

  *place(wanted: Wanted): Generator<RestSoFar> {
    const trials = this.trialsOf(wanted, this.now.pieces, FOR_EACH);
    for (const { trials: n } of trials.run()) yield this.soFar('placing', n);
    const { places, stopped } = trials.soFar(true);
    this.trials += trials.trials;
    const [best] = places;
    const whole = best
      ? this.wholeOf([...this.now.pieces, { wanted, ...best }])
      : stopped && this.withRoomMade({ wanted, ...stopped }, stopped);
    if (whole) this.now = whole;
    else this.lacking.push({ ...wanted, stopped });
    yield this.soFar('placing');
  }

  /** What is stopped only by others of these: with those placed anew, where nothing is stopped then. */
  private withRoomMade(piece: PlacedPiece, { against }: TriedPlace): Whole | null {
    const inTheWay = against.filter((f) => f.severity === 'stop').map((f) => f.where);
    const { pieces } = this.now;
    const others = pieces.filter((p) => inTheWay.includes(p.item));
    if (inTheWay.some((where) => !others.some((o) => o.item === where))) return null;
    let tried = [...pieces, piece];
    for (const other of others) {
      const moved = this.anew(other, tried);
      if (moved) tried = tried.map((p) => (p === other ? moved : p));
    }
    const whole = this.wholeOf(tried);
    return whole?.score.stops === 0 ? whole : null;
  }

  *improve(): Generator<RestSoFar> {
    for (const one of this.now.pieces) {
      if (this.trials >= this.search.budget) break;
      for (const other of [this.onOtherSide(one), this.anew(one, this.now.pieces)]) {
        if (other) this.takeIfBetter(one.wanted, other);
        yield this.soFar('improving');
      }
    }
    // What had no place may have one now.
    for (const lacking of this.lacking.splice(0)) yield* this.place(lacking);
  }

  private takeIfBetter(wanted: Wanted, other: PlacedPiece): void {
    const whole = this.wholeOf(this.now.pieces.map((p) => (p.wanted === wanted ? other : p)));
    this.trials++;
    if (whole && byScore(whole.score, this.now.score) < 0) this.now = whole;
  }

  /** The same on the other side, held as suits it there; null where it carries another, or there is no such place. */
  private onOtherSide(piece: PlacedPiece): PlacedPiece | null {
    const { after, pieces } = this.now;
    const [base] = piece.changes;
    if (carries(piece, pieces) || base?.kind !== 'placeItem') return null;
    const to = otherSide(after.surface, base.to.place);
    const there = to && bestHeld({ plan: this.input.plan, shop: this.input.shop, workup: after }, piece.stack[0], to);
    if (!to || !there || (there.advice && !there.advice.fits)) return null;
    const { uses: _, straps: __, ...fitting } = base.to;
    const moved = { ...base, to: { ...fitting, place: to, mount: there.mount } };
    return { ...piece, changes: [moved, ...piece.changes.slice(1).filter((c) => c.kind === 'placeItem')] };
  }

  /** Where it goes best among the others; null where it carries one of them, or has no place. */
  private anew(piece: PlacedPiece, pieces: readonly PlacedPiece[]): PlacedPiece | null {
    if (carries(piece, pieces)) return null;
    const others = pieces.filter((p) => p !== piece);
    const trials = this.trialsOf(piece.wanted, others, FOR_EACH / 2);
    const [best] = trials.all().places;
    this.trials += trials.trials;
    return best ? { wanted: piece.wanted, ...best } : null;
  }

  finish(): RestSoFar {
    const { pieces, after } = this.now;
    const changes = changesOf(pieces);
    const [first, ...others] = pieces.flatMap((p) => p.stack);
    if (!first) return this.soFar('done');
    const companions = companionsFor(this.input, { changes, after, stack: [first, ...others] }, this.search, this.memory);
    const all = [...changes, ...companions.changes];
    const cables = connectionsFor(this.input, all, this.memory);
    return { ...this.soFar('done'), changes: [...all, ...cables.changes], extras: [...companions.names, ...cables.names] };
  }

  private soFar(doing: RestSoFar['doing'], more = 0): RestSoFar {
    const { lacking, of, now, search } = this;
    const trials = this.trials + more;
    const share = doing === 'done' ? 1 : Math.min(1, trials / search.budget);
    const changes = changesOf(now.pieces);
    return { placed: now.pieces.length, of, changes, extras: [], lacking: [...lacking], trials, share, doing };
  }
}

const changesOf = (pieces: readonly PlacedPiece[]): DraftChange[] => pieces.flatMap((p) => p.changes);

/** Whether another piece stands on it: what carries stays. */
function carries({ changes }: PlacedPiece, pieces: readonly PlacedPiece[]): boolean {
  const own = placedBy(changes);
  return changesOf(pieces).some(
    (c) => c.kind === 'placeItem' && !own.has(c.item) && c.to.place.on === 'fitting' && own.has(c.to.place.fitting),
  );
}
