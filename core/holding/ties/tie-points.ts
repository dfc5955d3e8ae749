import type { HullSurface } from '../../boat/hull';
import { roomIdOf } from '../inside';
import { toHull, type Placed } from '../../layout';
import type { Lead } from '../../parts/parts';
import type { Ledger } from '../../rig';
import type { Point } from '../../base/units';

/** A place to tie to aboard: of the hull, or of a fitting that stands on it. */
export interface TiePoint {
  /** `hull.` or the fitting, and its own name there. */
  readonly key: string;
  readonly name: string;
  /** Of the fitting it is on; empty for one of the hull. */
  readonly letter: string;
  readonly fitting: string | null;
  readonly at: Point;
  /** The room inside that it is in; null on deck. */
  readonly room: string | null;
  /** How a line is led or held there. */
  readonly lead: Lead;
  /** The name of what moves on its part that it goes with. */
  readonly rides?: string;
}

/** A tie point of which nothing else is said: an eye as is usual on small boats (judgement). */
const USUAL_EYE: Lead = { as: 'eye', takes: 8, over: 8 };

/** The name of a tie point of the hull, and of a fitting. */
export const hullTie = (id: string): string => `hull.${id}`;
const fittingTie = (fitting: string, id: string): string => `${fitting}.${id}`;

/** A fitting with its letter. */
interface Lettered {
  readonly placed: Placed;
  readonly letter: string;
}

/** Every tie point aboard, bow to stern. What was seen worn or broken holds nothing, and what is left unused is not tied to. */
export function tiePointsOf(hull: HullSurface, items: readonly Lettered[], ledger: Pick<Ledger, 'seen'>): TiePoint[] {
  const sound = (key: string): boolean => (ledger.seen.get(key)?.is ?? 'sound') === 'sound';
  const own = (hull.model.ties ?? []).map(({ id, name, x, y, z, room = null }): TiePoint => ({
    key: hullTie(id),
    name,
    letter: '',
    fitting: null,
    at: { x, y, z },
    room,
    lead: USUAL_EYE,
  }));
  const fitted = items
    .filter(({ placed: { id, fitting } }) => fitting.becomes?.is !== 'left' && sound(id))
    .flatMap(({ placed, letter }) => {
      const { id, part, frame, fitting } = placed;
      return (part.ties ?? []).map((t): TiePoint => ({
        key: fittingTie(id, t.id),
        name: `${t.name} of ${part.name}`,
        letter,
        fitting: id,
        at: toHull(frame, t.u, t.v, t.w + fitting.lift),
        room: roomIdOf(hull, placed),
        lead: t.leads ?? USUAL_EYE,
        ...(t.rides === undefined ? {} : { rides: t.rides }),
      }));
    });
  return [...own, ...fitted].sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y || (a.key < b.key ? -1 : 1));
}
