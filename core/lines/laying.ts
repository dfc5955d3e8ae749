import type { Fitted } from '../holding/fitted';
import type { HullSurface } from '../boat/hull';
import type { Paddler } from '../layout';
import type { Weight } from '../water/float';
import type { Lead } from '../parts/parts';
import type { Line, Plan } from '../rig';
import type { ShopSettings } from '../parts/shop';
import type { TiePoint } from '../holding/ties';
import { distance, onTheWay, pathLength, type Point } from '../base/units';
import type { SideOn } from './ground';
import type { Bend } from './pull';
import { tautBetween } from './taut';

/** What every line is worked out on. */
export interface LedOn {
  readonly surface: HullSurface;
  readonly lines: Plan['lines'];
  readonly ties: ReadonlyMap<string, TiePoint>;
  readonly owned: readonly Fitted[];
  readonly boat: SideOn;
  readonly people: readonly Paddler[];
  readonly weight: Weight;
  readonly shop: ShopSettings;
}

/** A place a line is led through or made fast at. */
export interface Where {
  readonly at: Point;
  readonly name: string;
  readonly letter: string;
  /** The fitting it is on; null for the hull and for a ring. */
  readonly fitting: string | null;
  readonly lead: Lead;
}

/** A ring stops so far off its pulleys (judgement), mm. */
const RING_STOPS = 150;
const RING: Lead = { as: 'eye', takes: 10, over: 10 };

/** Where a line's points are, with a ring at a share of its way; null when one is not aboard. */
export function placesOf({ through }: Pick<Line, 'through'>, on: LedOn, ringAt: number): Where[] | null {
  const out: Where[] = [];
  for (const p of through) {
    if (p.at === 'ring') {
      const trolley = on.lines[p.line];
      const ring = trolley ? ringOf(trolley, on, ringAt) : null;
      if (!ring) return null;
      out.push({ at: ring, name: 'ring of the trolley', letter: '', fitting: null, lead: RING });
      continue;
    }
    const tie = on.ties.get(p.tie);
    if (!tie) return null;
    out.push({ at: tie.at, name: tie.name, letter: tie.letter, fitting: tie.fitting, lead: tie.lead });
  }
  return out;
}

/** Where a trolley's ring stands at a share of its way from its first end. */
function ringOf(trolley: Line, on: LedOn, share: number): Point | null {
  const places = placesOf(trolley, on, 0);
  if (!places) return null;
  const path = pathOf(places, trolley, on.surface).map((b) => b.at);
  const whole = pathLength(path);
  return pointAlong(path, Math.min(whole, RING_STOPS) + Math.max(0, whole - 2 * RING_STOPS) * share);
}

/** The point of a path so far from its beginning. */
export function pointAlong(path: readonly Point[], far: number): Point | null {
  let left = far;
  for (const [i, b] of path.entries()) {
    const a = path[i - 1];
    if (!a) continue;
    const long = distance(a, b);
    if (left <= long) return onTheWay({ from: a, to: b }, long > 0 ? left / long : 0);
    left -= long;
  }
  return path.at(-1) ?? null;
}

/** The corners of a line as it is drawn taut from place to place. */
export function pathOf(places: readonly Pick<Where, 'at' | 'lead'>[], { way }: Pick<Line, 'way'>, surface: HullSurface): Bend[] {
  return places.flatMap(({ at, lead }, i): Bend[] => {
    const before = places[i - 1];
    const bends = before ? tautBetween(surface, way, before.at, at).slice(1, -1) : [];
    return [...bends.map((b): Bend => ({ at: b, by: 'hull' })), { at, by: lead.as }];
  });
}

/**
 * What a loop between its ends takes, mm: there, half round the sheave, back, half round the other, with its ring at a share of
 * the way. The ring slides along one side of it, so that it takes the same wherever that stands.
 */
export function loopLength(path: readonly Point[], over: readonly [number, number], ringAt: number): number {
  const oneWay = pathLength(path);
  const round = (Math.PI * (over[0] + over[1])) / 2;
  return oneWay * ringAt + oneWay * (1 - ringAt) + oneWay + round;
}
