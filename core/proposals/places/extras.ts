import { isWhat } from '../../checks/findings';
import { proposeCircuit } from '../../electric/wiring';
import type { Part } from '../../parts/parts';
import { tiedFitting, type DraftChange } from '../../rig';
import type { Memory } from '../../base/stages';
import type { WorkupInput } from '../../workup';
import { leadWell, placedBy, triedWith, withChanges } from '../fixes';
import { PlaceTrials, type Extras, type PlaceSearch, type TriedPlace } from './place-trials';

/** So many workups are made for each thing that comes with another. */
const BUDGET = 14;

/** One thing that is needed, and what answers it. */
type Need = (part: Part) => boolean;

/** What a part needs beside it: what it says itself, a lanyard switch for a motor, something to read for a screen that reads. */
function needsOf(part: Part): Need[] {
  const said = (part.goesWith.needs ?? []).map(
    (what): Need =>
      (p) =>
        isWhat(p, what),
  );
  const families = part.screen ? (part.signal?.jacks ?? []).filter((j) => !j.network).map((j) => j.family) : [];
  const senses: Need = (p) => !!p.sonar && !!p.signal?.jacks.some((j) => families.includes(j.family));
  const kills: Need = (p) => p.power?.passes?.kills === true;
  return [...said, ...(part.power?.draw?.of === 'motor' ? [kills] : []), ...(families.length ? [senses] : [])];
}

/** Of the range, what some parts may come aboard with: what a foot stands on, and what answers their needs. */
export function mayComeWith(parts: readonly Part[], range: readonly Part[]): Part[] {
  const needs = parts.flatMap(needsOf);
  const footed = parts.some((p) => p.joins?.foot);
  return range.filter((p) => (footed && p.joins) || needs.some((need) => need(p)));
}

type Placing = Pick<TriedPlace, 'changes' | 'stack' | 'after'>;

/** What things need and is not aboard, each where it goes best with them. */
export function companionsFor(
  input: WorkupInput,
  { changes: placed, stack, after }: Placing,
  search: PlaceSearch,
  memory: Memory,
): Extras {
  let changes: readonly DraftChange[] = [];
  const names: string[] = [];
  const aboard = after.aboard.owned.map((i) => i.placed.part);
  for (const part of stack)
    for (const need of needsOf(part)) {
      if (aboard.some((other) => other.id !== part.id && need(other))) continue;
      const companion = companionOf({ ...input, plan: withChanges(input.plan, [...placed, ...changes]) }, need, {
        search,
        memory,
      });
      if (!companion) continue;
      changes = [...changes, ...companion.changes];
      names.push(...companion.stack.map((p) => p.name));
      aboard.push(...companion.stack);
    }
  return { changes, names };
}

/** Cables and lines to what is placed; one that would be stopped is left to its own step. */
export function connectionsFor(input: WorkupInput, placed: readonly DraftChange[], memory: Memory): Extras {
  const mine = placedBy(placed);
  const stops = (changes: readonly DraftChange[]): number =>
    triedWith(input, changes, memory)?.findings.filter((f) => f.severity === 'stop').length ?? Infinity;
  let all: Extras = { changes: [], names: [] };
  for (const led of [feeds, lines]) {
    const before = [...placed, ...all.changes];
    const { changes, names } = led({ ...input, plan: withChanges(input.plan, before) }, mine, memory);
    if (changes.length && stops([...before, ...changes]) <= stops(before))
      all = { changes: [...all.changes, ...changes], names: [...all.names, ...names] };
  }
  return all;
}

/** The cheapest of the range that answers a need and has a place that passes; what drives the boat is never chosen for somebody. */
function companionOf(
  input: WorkupInput,
  need: Need,
  { search, memory }: { readonly search: PlaceSearch; readonly memory: Memory },
): TriedPlace | null {
  const answers = search.range.filter((p) => need(p) && !p.use.propels).sort((a, b) => a.sold.priceCents - b.sold.priceCents);
  for (const part of answers.slice(0, 3)) {
    const [best] = new PlaceTrials(input, part, { ...search, budget: BUDGET }, memory).all().places;
    if (best) return best;
  }
  return null;
}

/** Cables to and from what is new, as a circuit would be proposed; what is there stays. */
function feeds(input: WorkupInput, mine: ReadonlySet<string>, memory: Memory): Extras {
  const w = triedWith(input, [], memory);
  if (!w) return NOTHING;
  const runs = Object.fromEntries(Object.entries(input.plan.runs).map(([id, { proposed: _, ...run }]) => [id, run]));
  const { changes } = proposeCircuit({ hull: w.surface, plan: { ...input.plan, runs }, owned: w.aboard.owned });
  const own = changes.filter(
    (c) => c.kind === 'routeRun' && c.from === null && c.to && (mine.has(c.to.from) || mine.has(c.to.to)),
  );
  return { changes: own, names: own.map((c) => (c.kind === 'routeRun' && c.to?.has === 'signal' ? 'signal cable' : 'feed')) };
}

/** Lines through what is new, led as is judged best. */
function lines(input: WorkupInput, mine: ReadonlySet<string>, memory: Memory): Extras {
  const w = triedWith(input, [], memory);
  const leads = w?.aboard.owned.some(({ placed: { id, part } }) => mine.has(id) && (part.moors ?? part.ties));
  if (!w || !leads) return NOTHING;
  const { changes } = leadWell(input, w);
  const own = changes.filter((c) => {
    if (c.kind !== 'leadLine' || c.from !== null || !c.to) return false;
    const { carries, through } = c.to;
    const ids = through.flatMap((p) => (p.at === 'tie' ? (tiedFitting(p.tie) ?? []) : []));
    return [...ids, ...(carries ? [carries] : [])].some((id) => mine.has(id));
  });
  return { changes: own, names: own.flatMap((c) => (c.kind === 'leadLine' && c.to ? [c.to.use] : [])) };
}

const NOTHING: Extras = { changes: [], names: [] };
