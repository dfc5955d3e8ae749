import { otherSide } from '../../checks/findings';
import type { Part } from '../../parts/parts';
import type { DraftChange } from '../../rig';
import { Memory } from '../../base/stages';
import { withParts, workUp, type Workup, type WorkupInput } from '../../workup';
import { bestHeld } from '../../checks/advice';
import { companionsFor, connectionsFor } from './extras';
import { PlaceTrials, type Extras, type PlaceSearch, type TriedPlace } from './place-trials';
import { beforeOf, byScore, scoreOf, type Before, type Score } from './score';
import type { Stack } from './stack';
import { triedWith, withChanges } from './trial';

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

class Rest {
  private readonly memory = new Memory();
  private readonly input: WorkupInput;
  private readonly of: number;
  private readonly before: Before;
  private placed: {
    readonly wanted: Wanted;
    readonly item: string;
    readonly stack: Stack;
    readonly changes: readonly DraftChange[];
  }[] = [];
  private readonly lacking: Lacking[] = [];
  private trials = 0;

  constructor(
    input: WorkupInput,
    private readonly search: PlaceSearch,
    wanted: readonly Wanted[],
  ) {
    this.input = withParts(input, [...search.range, ...wanted.map((w) => w.part)]);
    this.of = wanted.length;
    this.before = beforeOf(this.input, workUp(this.input, this.memory));
  }

  private changes = (but?: string): DraftChange[] => this.placed.flatMap((p) => (p.item === but ? [] : p.changes));
  private with = (changes: readonly DraftChange[]): WorkupInput => ({
    ...this.input,
    plan: withChanges(this.input.plan, changes),
  });

  *place(wanted: Wanted): Generator<RestSoFar> {
    const trials = new PlaceTrials(this.with(this.changes()), wanted.part, { ...this.search, budget: FOR_EACH });
    for (const { trials: n } of trials.run()) yield this.soFar('placing', n);
    const { places, stopped } = trials.soFar(true);
    this.trials += trials.trials;
    const [best] = places;
    if (best) this.placed.push({ wanted, ...best });
    else if (!stopped || !this.madeRoomFor(wanted, stopped)) this.lacking.push({ ...wanted, stopped });
    yield this.soFar('placing');
  }

  /** What stops it only by others of these is placed with those placed anew, as long as nothing is stopped then. */
  private madeRoomFor(wanted: Wanted, stopped: TriedPlace): boolean {
    const inTheWay = stopped.against.filter((f) => f.severity === 'stop').map((f) => f.where);
    const others = this.placed.filter((p) => inTheWay.includes(p.item));
    if (inTheWay.some((where) => !others.some((o) => o.item === where))) return false;
    const was = this.placed;
    this.placed = [...was, { wanted, ...stopped }];
    for (const other of others)
      for (const changes of this.anew(other))
        this.placed = this.placed.map((p) => (p.item === other.item ? { ...p, changes } : p));
    const now = triedWith(this.input, this.changes(), this.memory);
    if (now && this.total(now).stops === 0) return true;
    this.placed = was;
    return false;
  }

  /** How good the whole is: of each piece together, by the workup of all. */
  private total(after: Workup): Score {
    const scores = this.placed.map((p) => scoreOf(this.before, after, p.item));
    const [first] = scores;
    const sum = (by: keyof Score): number => scores.reduce((n, s) => n + s[by], 0);
    return {
      ...(first ?? scoreOf(this.before, after, '')),
      ...{
        hand: sum('hand'),
        habit: sum('habit'),
        near: sum('near'),
        side: sum('side'),
        across: sum('across'),
        along: sum('along'),
      },
    };
  }

  *improve(): Generator<RestSoFar> {
    for (const one of [...this.placed]) {
      if (this.trials >= this.search.budget) break;
      if (this.carries(one)) continue;
      for (const changes of [this.otherSideOf(one), ...this.anew(one)]) {
        if (changes) this.keepIfBetter(one.item, changes);
        yield this.soFar('improving');
      }
    }
    // What had no place may have one now.
    for (const lacking of this.lacking.splice(0)) yield* this.place(lacking);
  }

  /** Whether another of these stands on it: what carries stays. */
  private carries({ changes }: Rest['placed'][number]): boolean {
    const own = new Set(changes.flatMap((c) => (c.kind === 'placeItem' ? [c.item] : [])));
    return this.placed.some(({ changes: others }) =>
      others.some(
        (c) => c.kind === 'placeItem' && !own.has(c.item) && c.to.place.on === 'fitting' && own.has(c.to.place.fitting),
      ),
    );
  }

  private keepIfBetter(item: string, changes: readonly DraftChange[]): void {
    const now = triedWith(this.input, this.changes(), this.memory);
    const was = this.placed;
    this.placed = was.map((p) => (p.item === item ? { ...p, changes } : p));
    const then = triedWith(this.input, this.changes(), this.memory);
    this.trials++;
    if (!now || !then || byScore(this.total(then), this.total(now)) >= 0) this.placed = was;
  }

  /** The same on the other side, held as suits it there. */
  private otherSideOf({ stack, changes }: Rest['placed'][number]): DraftChange[] | null {
    const after = triedWith(this.input, this.changes(), this.memory);
    const [base] = changes;
    if (!after || base?.kind !== 'placeItem') return null;
    const to = otherSide(after.surface, base.to.place);
    if (!to) return null;
    const there = bestHeld({ plan: this.input.plan, shop: this.input.shop, workup: after }, stack[0], to);
    if (there.advice && !there.advice.fits) return null;
    const { uses: _, straps: __, ...fitting } = base.to;
    const moved = { ...base, to: { ...fitting, place: to, mount: there.mount } };
    return [moved, ...changes.slice(1).filter((c) => c.kind === 'placeItem')];
  }

  /** Where it goes best with all the others aboard. */
  private anew({ item, wanted, changes }: Rest['placed'][number]): DraftChange[][] {
    const trials = new PlaceTrials(this.with(this.changes(item)), wanted.part, { ...this.search, budget: FOR_EACH / 2 });
    for (const _ of trials.run());
    this.trials += trials.trials;
    const [best] = trials.soFar(true).places;
    if (!best) return [];
    // It keeps its name, so that what stands on it finds it.
    const names = new Map(
      best.changes.flatMap((c, i) => {
        const old = changes[i];
        return c.kind === 'placeItem' && old?.kind === 'placeItem' ? [[c.item, old.item] as const] : [];
      }),
    );
    const renamed = JSON.parse(
      JSON.stringify(best.changes, (_, value: unknown) => (typeof value === 'string' ? (names.get(value) ?? value) : value)),
    ) as DraftChange[];
    return best.changes.length === changes.length ? [renamed] : [];
  }

  finish(): RestSoFar {
    const changes = this.changes();
    const after = triedWith(this.input, changes, this.memory);
    const [first, ...others] = this.placed.flatMap((p) => p.stack);
    if (!after || !first) return this.soFar('done');
    const companions = companionsFor(this.input, { changes, after, stack: [first, ...others] }, this.search);
    const all = [...changes, ...companions.changes];
    const cables = connectionsFor(this.input, all, this.memory);
    return { ...this.soFar('done'), changes: [...all, ...cables.changes], extras: [...companions.names, ...cables.names] };
  }

  private soFar(doing: RestSoFar['doing'], more = 0): RestSoFar {
    const { placed, lacking, of } = this;
    return {
      placed: placed.length,
      of,
      changes: this.changes(),
      extras: [],
      lacking: [...lacking],
      trials: this.trials + more,
      doing,
    };
  }
}
