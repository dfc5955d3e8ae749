import { bestHeld } from '../../checks/advice';
import type { Finding } from '../../checks/findings';
import type { Part } from '../../parts/parts';
import { nudge, toMark, type Placed } from '../../layout';
import { triedWith } from '../fixes';
import type { DraftChange, Place } from '../../rig';
import { Memory } from '../../base/stages';
import type { UnitSystem } from '../../base/units';
import { withParts, workUp, type Workup, type WorkupInput } from '../../workup';
import { beforeOf, byScore, newlyFound, scoreOf, usualSide, type Before, type Score } from './score';
import { Sieve, roughly, type Sifted } from './sieve';
import { spotsFor } from './spots';
import { fittingsOf, stacksFor, wishedOf, type Stack } from './stack';

/** How places are searched. */
export interface PlaceSearch {
  readonly units: UnitSystem;
  readonly newId: () => string;
  /** What the shop sells: what a thing stands on, and what it needs. */
  readonly range: readonly Part[];
  /** Most workups to make. */
  readonly budget: number;
  /** How far apart places are tried first, mm. */
  readonly step: number;
}

/** What comes aboard with a thing. */
export interface Extras {
  readonly changes: readonly DraftChange[];
  /** Parts, cables and lines, in words. */
  readonly names: readonly string[];
}

/** A place that was worked up with everything that comes aboard there. */
export interface TriedPlace {
  /** The thing wished for. */
  readonly item: string;
  readonly stack: Stack;
  readonly place: Place;
  readonly changes: readonly DraftChange[];
  readonly after: Workup;
  readonly score: Score;
  /** What speaks against it: found with it, and not without. */
  readonly against: readonly Finding[];
  /** What comes with it besides what it stands on. */
  readonly extras: Extras['names'];
}

/** How far a search has come. */
export interface PlacesSoFar {
  /** Best first, no two in nearly one place. */
  readonly places: readonly TriedPlace[];
  /** Where nothing passes: the least bad of what was tried. */
  readonly stopped: TriedPlace | null;
  readonly trials: number;
  readonly done: boolean;
}

/** So many places are offered. */
const OFFERED = 9;
/** So many are completed with what they bring, and told apart finely. */
export const SHOWN = 3;
/** Two places on one thing are the same nearer than this (judgement), mm. */
const APART = 250;
/** Places near a good one are tried so much closer. */
const CLOSER = [0.5, -0.5, 0.25, -0.25];

/** Places of one part, tried one after the other. */
export class PlaceTrials {
  trials = 0;
  readonly shown: WorkupInput;
  private readonly before: Before;
  private readonly sieve: Sieve;
  private found: { readonly tried: TriedPlace; readonly sifted: Sifted }[] = [];

  /** @param memory of earlier trials in much the same rig */
  constructor(
    input: WorkupInput,
    private readonly part: Part,
    private readonly search: PlaceSearch,
    readonly memory = new Memory(),
  ) {
    this.shown = withParts(input, [...search.range, part]);
    const workup = workUp(this.shown, memory);
    this.before = beforeOf(this.shown, workup);
    this.sieve = new Sieve(this.shown, workup, memory);
  }

  /** Every place that can be stood at, what looks best first, in turns by what carries it. */
  inOrder(): Sifted[] {
    const { units, step, range } = this.search;
    const { plan, shop } = this.shown;
    const { workup } = this.before;
    const hull = workup.surface;
    const others = workup.aboard.items.map((i) => i.placed);
    const setting = { hull, brief: plan.brief, shop, others, units, step };
    const stacks = stacksFor(this.part, range);
    const all = stacks.flatMap((stack) =>
      [...spotsFor(stack[0], setting, stack.length === 1 && stacks.length > 1)].flatMap(
        (spot) => this.sieve.sift(stack, spot) ?? [],
      ),
    );
    return inTurns(all.sort((a, b) => roughly(a.rough, b.rough) || this.across(a) - this.across(b)));
  }

  /** Where nothing else decides, the side of the hand that casts comes first. */
  private across({ placed }: Sifted): number {
    const y = placed[0]?.frame.origin.y ?? 0;
    return y === 0 ? 0 : Math.sign(y) === usualSide(this.shown.plan.brief) ? 1 : 2;
  }

  /** Whether what comes from here on is farther from the hand than as many as are shown. */
  isDecided({ rough: [, zones = 0] }: Sifted): boolean {
    return this.best().filter((t) => t.score.stops === 0 && t.score.hand < zones).length >= SHOWN;
  }

  /** Works a place up; whether that was a trial. */
  tryAt(sifted: Sifted): boolean {
    const { plan, shop } = this.shown;
    const { stack, spot } = sifted;
    const { mount, advice } = bestHeld({ plan, shop, workup: this.before.workup }, stack[0], spot.place);
    if (advice && !advice.fits) return false;
    const made = this.workedUp(sifted, { place: spot.place, mount });
    // Before new holes are drilled, old ones that would serve.
    if (advice?.reuse && spot.place.on === 'deck') {
      const uses = Object.fromEntries(Object.entries(advice.reuse.uses).map(([n, hole]) => [n, hole.fact]));
      this.workedUp(sifted, { place: advice.reuse.place, mount, uses });
    }
    return made;
  }

  /** A place as it was found, moved along by so much. */
  tryNear({ place, stack, item }: TriedPlace, by: number): boolean {
    const was = this.found.find((f) => f.tried.item === item);
    if (!was || place.on === 'fitting' || place.on === 'space') return false;
    const moved = nudge(this.before.workup.surface, place, by, 0);
    const x = 'x' in moved && 'x' in place ? toMark(moved.x, this.search.units) : null;
    if (x === null || !('x' in moved) || !('x' in place) || x === place.x) return false;
    const sifted = this.sieve.sift(stack, { ...was.sifted.spot, place: { ...moved, x } });
    return sifted !== null && this.tryAt(sifted);
  }

  private workedUp(sifted: Sifted, at: Parameters<typeof fittingsOf>[1]): boolean {
    const { stack } = sifted;
    const ids = stack.map((p) => `${p.id.slice(0, 40)}-${this.search.newId().slice(0, 6)}`);
    const { set } = this.shown;
    const changes = fittingsOf(stack, at, ids).map(({ id, fitting }): DraftChange => ({
      kind: 'placeItem',
      item: id,
      to: { ...fitting, note: 'from the wish list', ...(set ? { sets: [set] } : {}) },
    }));
    const item = ids.at(-1) ?? '';
    const tried = this.judged({ stack, item, place: at.place }, changes);
    if (!tried) return false;
    this.trials++;
    this.found.push({ tried: this.strapped(tried), sifted });
    return true;
  }

  private judged(
    of: Pick<TriedPlace, 'stack' | 'item' | 'place'>,
    changes: readonly DraftChange[],
    extras: TriedPlace['extras'] = [],
  ): TriedPlace | null {
    const after = triedWith(this.shown, changes, this.memory);
    if (!after) return null;
    const against = newlyFound(this.before, after);
    return { ...of, changes, after, score: scoreOf(this.before, after, of.item, against), against, extras };
  }

  /** What would come loose is strapped, where straps hold it. */
  private strapped(tried: TriedPlace): TriedPlace {
    const loose = tried.against.find((f) => f.code === 'comes-loose' && f.where === tried.item);
    const [strap] = loose?.tries(this.search.range) ?? [];
    const held = strap && this.judged(tried, [...tried.changes, ...strap.changes]);
    return held && byScore(held.score, tried.score) < 0 ? held : tried;
  }

  /** Tries places, what looks best first, then nearer about the best; told after every trial. */
  *run(): Generator<PlacesSoFar> {
    const { budget, step } = this.search;
    for (const sifted of this.inOrder()) {
      if (this.trials >= budget || this.isDecided(sifted)) break;
      if (this.tryAt(sifted)) yield this.soFar(false);
    }
    for (const best of this.best().slice(0, SHOWN))
      for (const by of CLOSER)
        if (this.trials < budget + SHOWN * CLOSER.length && this.tryNear(best, by * step)) yield this.soFar(false);
  }

  /** What all of it says. */
  all(): PlacesSoFar {
    for (const _ of this.run());
    return this.soFar(true);
  }

  /** Whether more may come aboard with a place without stopping anything more. */
  passes(tried: TriedPlace, changes: readonly DraftChange[]): boolean {
    const whole = this.judged(tried, [...tried.changes, ...changes]);
    return whole !== null && whole.score.stops <= tried.score.stops;
  }

  /** A place with what more comes aboard there. */
  completed(tried: TriedPlace, { changes, names }: Extras): void {
    const whole = changes.length ? this.judged(tried, [...tried.changes, ...changes], names) : null;
    if (whole) this.found = this.found.map((f) => (f.tried === tried ? { ...f, tried: whole } : f));
  }

  /** Best first, no two in nearly one place. */
  best(): TriedPlace[] {
    const chosen: { readonly tried: TriedPlace; readonly on: string; readonly at: Placed['frame']['origin'] | undefined }[] = [];
    for (const { tried, sifted } of [...this.found].sort((a, b) => byScore(a.tried.score, b.tried.score))) {
      const at = sifted.placed[0]?.frame.origin;
      const { on } = sifted.spot;
      const near = chosen.some((c) => c.on === on && at && c.at && Math.hypot(at.x - c.at.x, at.y - c.at.y) < APART);
      if (!near) chosen.push({ tried, on, at });
      if (chosen.length === OFFERED) break;
    }
    return chosen.map((c) => c.tried);
  }

  soFar(done: boolean): PlacesSoFar {
    const best = this.best();
    const places = best.filter((t) => t.score.stops === 0);
    return { places, stopped: places.length ? null : (best[0] ?? null), trials: this.trials, done };
  }
}

/** One of each kind after the other, as long as they are roughly as good. */
function inTurns(sorted: readonly Sifted[]): Sifted[] {
  const tiers = new Map<string, Map<string, Sifted[]>>();
  for (const s of sorted) {
    const tier = s.rough.slice(0, 2).join();
    const kinds = tiers.get(tier) ?? new Map<string, Sifted[]>();
    tiers.set(tier, kinds);
    const on = `${s.spot.on} ${wishedOf(s.stack).id} ${s.stack.length}`;
    kinds.set(on, [...(kinds.get(on) ?? []), s]);
  }
  return [...tiers.values()].flatMap((kinds) => {
    const rows = [...kinds.values()];
    const longest = Math.max(...rows.map((r) => r.length));
    return Array.from({ length: longest }, (_, i) => rows.flatMap((r) => r[i] ?? [])).flat();
  });
}
