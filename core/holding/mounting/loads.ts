import type { Part } from '../../parts/parts';

/** A pull or push in a part's own frame: u aft, v to starboard, w out of the surface, newtons; where it acts, mm. */
export interface Force {
  readonly u: number;
  readonly v: number;
  readonly w: number;
  readonly at: { readonly u: number; readonly v: number; readonly w: number };
}

export interface FastenerSpot {
  readonly u: number;
  readonly v: number;
}

/** What one fastener of a group carries, newtons. */
export interface FastenerLoad {
  readonly tension: number;
  readonly shear: number;
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/**
 * Shares a force among a group of fasteners. In the plane: F/n each, and M·r/Σr² square to the arm from
 * their middle. Out of it: pull shared alike, and the tilting moment about the edge of the base that is
 * pressed down, M·s/Σs² by the distance from that edge (any machine-design text).
 *
 * Assumes a stiff base on a softer wall and fasteners all alike.
 *
 * @param spots where the fasteners are, in the part's frame, mm
 * @param base its size, mm, about its origin
 * @returns one load a spot, in their order
 */
export function boltGroup(spots: readonly FastenerSpot[], force: Force, base: { length: number; width: number }): FastenerLoad[] {
  const n = spots.length;
  if (n === 0) return [];
  const middle = { u: sum(spots.map((s) => s.u)) / n, v: sum(spots.map((s) => s.v)) / n };
  const arms = spots.map((s) => ({ u: s.u - middle.u, v: s.v - middle.v }));
  const polar = sum(arms.map((a) => a.u ** 2 + a.v ** 2));
  const twist = (force.at.u - middle.u) * force.v - (force.at.v - middle.v) * force.u;
  // A force that tips the top aft and one that lifts the fore edge are the same moment.
  const tip = { u: force.u * force.at.w - force.w * force.at.u, v: force.v * force.at.w - force.w * force.at.v };
  const moment = Math.hypot(tip.u, tip.v);
  const toward = moment > 0 ? { u: tip.u / moment, v: tip.v / moment } : { u: 0, v: 0 };
  const edge = (Math.abs(toward.u) * base.length + Math.abs(toward.v) * base.width) / 2;
  const fromEdge = spots.map((s) => Math.max(0, edge - s.u * toward.u - s.v * toward.v));
  const squares = sum(fromEdge.map((s) => s ** 2));
  return arms.map((arm, i) => {
    const turned = polar > 0 ? twist / polar : 0;
    const shear = Math.hypot(force.u / n - turned * arm.v, force.v / n + turned * arm.u);
    const tilt = squares > 0 ? (moment * (fromEdge[i] ?? 0)) / squares : 0;
    return { shear, tension: Math.max(0, force.w / n) + tilt };
  });
}

/** How far over its base a rod is pulled at (common practice, no source), and how far off its mount a motor pushes where its shaft is not drawn (judgement), mm. */
const ROD_LEVER = 500;
const SHAFT_LEVER = 500;

export interface WorkingLoad {
  readonly newtons: number;
  /** Over the base, mm. */
  readonly lever: number;
  readonly toward: NonNullable<Part['holding']['load']>['toward'];
  /** The part says its load; else it is what is usual for such a part. */
  readonly own: boolean;
}

/** What a part's use pulls it with, and how high over its base. */
export function workingLoad(part: Pick<Part, 'body' | 'holding' | 'rods' | 'power'>): WorkingLoad {
  const { body, holding } = part;
  if (holding.load) return { ...holding.load, own: true };
  const { newtons, height: share } = holding.usual;
  const top = Math.max(body.base.thickness, ...body.solids.map((s) => s.w[1]));
  // A fish pulls on the rod, not on its tube, and a motor pushes at the end of its shaft.
  const shaft = Math.max(0, ...body.solids.map((s) => -s.w[0]));
  const lever = part.rods
    ? Math.max(ROD_LEVER, top * share)
    : part.power?.draw?.of === 'motor'
      ? Math.max(SHAFT_LEVER, shaft)
      : Math.min(top, 600) * share;
  return { newtons, lever, toward: 'any', own: false };
}

/** The cases a working load is judged by, shock included: straight out, and sideways every eighth of a turn. */
export function loadCases(load: WorkingLoad, lift: number, shock: number): Force[] {
  const f = load.newtons * shock;
  const at = { u: 0, v: 0, w: load.lever + lift };
  const side = (degrees: number): Force => {
    const a = (degrees * Math.PI) / 180;
    return { u: f * Math.cos(a), v: f * Math.sin(a), w: 0, at };
  };
  const out: Force = { u: 0, v: 0, w: f, at: { u: 0, v: 0, w: 0 } };
  if (load.toward === 'out') return [out];
  if (load.toward === 'aft') return [side(0), side(180)];
  if (load.toward === 'side') return [side(90), side(270)];
  return [out, ...[0, 45, 90, 135, 180, 225, 270, 315].map(side)];
}
