import type { GuardKind, Run } from '../../rig';
import type { Flow } from './flows';
import { farEnd, type Edge, type Lead, type Network } from './network';
import { carries, chooseFuse, inAll, isSold, NOTHING_ASKED, RATINGS, type Asked, type Opens } from './protection';

/** A fuse or breaker in a conductor or in a way. */
export interface Guard {
  /** The conductor or way that it stands in. */
  readonly edge: string;
  readonly cable: string | null;
  readonly fitting: string;
  readonly way: number | null;
  readonly asked: Asked;
  /** A; null where no rating sold carries what flows, or nothing flows yet. */
  readonly rating: number | null;
  /** What the rigger or the maker of the load states. */
  readonly own: number | null;
  readonly kind: GuardKind | null;
  /** From the terminal along the conductor, mm; null inside a box. */
  readonly along: number | null;
}

/** As near to the post as a holder goes (common practice, no source), mm. */
export const GUARD_AT = 100;

/**
 * Every protection there is: in each conductor that leaves the plus of a battery unless the rigger leaves it out, in each
 * fused way that something hangs on, and where the rigger asks for one.
 */
export function guardsOf(
  network: Network,
  flows: readonly Flow[],
  asked: ReadonlyMap<string, Asked>,
  runs: ReadonlyMap<string, Pick<Run, 'guard'>>,
  opens: (edge: string, fitting: string) => Opens,
): Guard[] {
  const posts = new Map(network.batteries.map((b) => [b.plus, b.fitting]));
  const chargers = new Map(network.ports.map((p) => [p.plus, p.fitting]));
  const used = new Set(network.leads.map((l) => l.from));
  const ratingOf = (
    edge: string,
    stated: number | null,
    kind: GuardKind | null,
    must?: Opens,
  ): Pick<Guard, 'asked' | 'rating' | 'own'> => {
    const load = asked.get(edge) ?? NOTHING_ASKED;
    const makers = makersFuse(flows, edge);
    const own = stated ?? (makers !== null && isSold(makers, kind) ? makers : null);
    const sold = RATINGS.filter((r) => carries(r, load) && isSold(r, kind));
    // The least in which there is a kind that opens what a short circuit there reaches.
    const least = (must && kind === null ? sold.find((r) => isSold(r, null, must)) : undefined) ?? sold[0] ?? null;
    return { asked: load, own, rating: own ?? (inAll(load) > 0 ? least : null) };
  };
  const inLead = (lead: Lead): Guard[] => {
    if (!lead.out) return [];
    const guard = runs.get(lead.cable)?.guard;
    if (guard === 'none') return [];
    const ends = [lead.from, lead.to].filter((t) => posts.has(t) || (guard?.bothEnds && chargers.has(t)));
    if (ends.length === 0 && !guard) return [];
    return (ends.length ? ends : [lead.from]).map((end) => {
      const fitting = posts.get(end) ?? chargers.get(end) ?? '';
      return {
        ...{ edge: lead.id, cable: lead.cable, way: null, kind: guard?.is ?? null, along: guard?.along ?? GUARD_AT, fitting },
        ...ratingOf(lead.id, guard?.amps ?? null, guard?.is ?? null, opens(lead.id, fitting)),
      };
    });
  };
  return [
    ...network.leads.flatMap(inLead),
    ...network.ways
      .filter((w) => w.passes.fused && used.has(w.to))
      .map((w) => ({
        ...{ edge: w.id, cable: null, fitting: w.fitting, way: w.way, kind: null, along: null },
        ...ratingOf(w.id, null, null),
      })),
  ];
}

/** The fuse that the maker of the one load on an edge states. */
function makersFuse(flows: readonly Flow[], edge: string): number | null {
  const fed = flows.filter((f) => !f.charging && (f.shares.get(edge) ?? 0) !== 0);
  return (fed.length === 1 ? fed[0]?.draw?.fuse : undefined) ?? null;
}

/** Whether nothing flows through a guard yet and nobody stated its rating: it is then rated by its wire. */
const isIdle = ({ asked, own }: Pick<Guard, 'asked' | 'own'>): boolean => own === null && inAll(asked) === 0;

/** Whether a guard protects a conductor of this ampacity that carries so much: rated no higher, or as E-11 allows where no size fits. */
export function protects(guard: Pick<Guard, 'rating' | 'asked' | 'own'>, ampacity: number, asked: Asked): boolean {
  const { rating } = guard;
  if (rating === null) return isIdle(guard);
  if (rating <= ampacity) return true;
  const own = chooseFuse(asked, ampacity);
  return own.over && own.rating !== null && rating <= own.rating;
}

/**
 * Whether a battery still feeds a conductor when every guard that counts has opened. One that stands in the conductor itself
 * counts from both sides.
 */
export function stillFed(network: Network, lead: Edge, opens: (edge: string) => boolean): boolean {
  if (opens(lead.id)) return false;
  const { outward, posts } = network;
  const seen = new Set([lead.from, lead.to]);
  const next = [...seen];
  for (const t of next) {
    if (posts.has(t)) return true;
    for (const e of network.at.get(t) ?? []) {
      if (!(e.is === 'way' || outward.has(e.id)) || opens(e.id)) continue;
      const far = farEnd(e, t);
      if (!seen.has(far)) {
        seen.add(far);
        next.push(far);
      }
    }
  }
  return false;
}

/** A guard through which nothing flows yet, rated by the ampacity that it protects. */
export const ratedBy = (guard: Guard, ampacity: number): Guard =>
  isIdle(guard) ? { ...guard, rating: [...RATINGS].reverse().find((r) => r <= ampacity) ?? null } : guard;
