import type { HullSurface, Section } from '../../boat/hull';
import type { Point } from '../../base/units';

export const FRESH_WATER = 1000;

/** Something that weighs, at its centre. */
export interface Mass {
  readonly kg: number;
  readonly at: Point;
}

/** Why no floating was found: it sinks, or one end goes under before it balances. */
type FloatFault = 'sinks' | 'bow under' | 'stern under';

/** How the boat floats with everything aboard, in sinkage and trim; heel is taken as nought. */
export interface Floating {
  /** Height of the water over the lowest keel point at the middle of the length, mm. */
  readonly level: number;
  /** How much higher the water stands on the hull for each mm aft: positive when the stern is deeper. */
  readonly slope: number;
  readonly middle: number;
  /** Null when the balance was found; else the level that carries the weight upright stands in for it. */
  readonly fault: FloatFault | null;
  readonly massKg: number;
  /** Centre of all weight. */
  readonly centre: Point;
}

/** Height of the water over the lowest keel point at a place along the boat, mm. */
export const waterAt = (f: Pick<Floating, 'level' | 'slope' | 'middle'>, x: number): number => f.level + f.slope * (x - f.middle);

/** How far the stern lies deeper than level, degrees; negative when the bow does. */
export const trimDegrees = (f: Pick<Floating, 'slope'>): number => (Math.atan(f.slope) * 180) / Math.PI;

/** All weight as one. */
export function centreOf(masses: readonly Mass[]): Mass {
  const kg = masses.reduce((sum, m) => sum + m.kg, 0);
  const mean = (axis: 'x' | 'y' | 'z'): number => (kg === 0 ? 0 : masses.reduce((sum, m) => sum + m.kg * m.at[axis], 0) / kg);
  return { kg, at: { x: mean('x'), y: mean('y'), z: mean('z') } };
}

/** What lies under an inclined water plane. Volumes in mm³, areas in mm². */
export interface Immersed {
  readonly volume: number;
  /** First moments of the volume about the middle of the length and about the lowest keel point. */
  readonly along: number;
  readonly up: number;
  /** Water plane, its first and second moment about the middle. */
  readonly plane: number;
  readonly plane1: number;
  readonly plane2: number;
  /** Second moment of the water plane about the centre line. */
  readonly across: number;
}

/** A hull cut into sections for integrals along it, each with the length it stands for. */
export interface Slices {
  readonly middle: number;
  readonly length: number;
  readonly at: readonly { readonly x: number; readonly weight: number; readonly section: Section }[];
}

/** Five-point Gauss–Legendre. */
const NODES = [-0.906179845938664, -0.538469310105683, 0, 0.538469310105683, 0.906179845938664];
const WEIGHTS = [0.23692688505618908, 0.47862867049936647, 0.5688888888888889, 0.47862867049936647, 0.23692688505618908];

/** Cuts a hull at Gauss points of every span between stations; blunt ends are no trouble, for x is a function of the outline's length. */
export function slicesOf(hull: HullSurface): Slices {
  const { along } = hull;
  const at = along.knots.slice(1).flatMap((to, i) => {
    const from = along.knots[i] ?? 0;
    return NODES.flatMap((node, k) => {
      const t = (from + to) / 2 + (node * (to - from)) / 2;
      const x = along.value(t);
      const section = hull.section(x);
      return section ? [{ x, weight: ((WEIGHTS[k] ?? 0) * (to - from) * along.slope(t)) / 2, section }] : [];
    });
  });
  const [bow, stern] = [along.value(along.from), along.value(along.to)];
  return { middle: (bow + stern) / 2, length: stern - bow, at };
}

/** Volume, moments and water plane under a plane that rises by `slope` for each mm aft. */
export function immersed(slices: Slices, level: number, slope: number): Immersed {
  const sums = { volume: 0, along: 0, up: 0, plane: 0, plane1: 0, plane2: 0, across: 0 };
  for (const { x, weight, section } of slices.at) {
    const arm = x - slices.middle;
    const water = level + slope * arm;
    const area = section.area(water);
    if (area <= 0) continue;
    sums.volume += weight * area;
    sums.along += weight * area * arm;
    sums.up += weight * section.moment(water);
    // Over the gunwale nothing more is pushed aside: the plane there carries nothing.
    if (water >= section.gunwale) continue;
    const half = section.halfWidth(water);
    sums.plane += 2 * weight * half;
    sums.plane1 += 2 * weight * half * arm;
    sums.plane2 += 2 * weight * half * arm * arm;
    sums.across += (2 / 3) * weight * half ** 3;
  }
  return sums;
}

/** Steps that Newton may take before the balance counts as not found. */
const STEPS = 60;
/** No step moves the water further than this, or tilts it more (judgement), mm and mm a mm. */
const STEP = { level: 40, slope: 0.02 } as const;
/** Steeper than this an end is under (judgement). */
const STEEPEST = 0.25;

/**
 * How a weight floats a hull: sinkage and trim by Newton on volume and moment, steps held short and halved until
 * they better both. The centre of buoyancy comes to stand plumb under that of the weight, so height counts too.
 *
 * Assumes no heel, still water, a hull that is shut up to its gunwale (water over a self-draining floor is a
 * finding, not a load). An estimate: it replaces neither the maker's rating nor a test in shallow water.
 *
 * @param density of the water, kg/m³
 * @returns a floating with its fault named when there is none
 */
export function floatBy(slices: Slices, masses: readonly Mass[], density = FRESH_WATER): Floating {
  const { kg, at } = centreOf(masses);
  const { middle, length } = slices;
  const wanted = (kg / density) * 1e9;
  const top = Math.max(...slices.at.map((s) => s.section.gunwale));
  const shared = { middle, massKg: kg, centre: at };
  if (upTo(slices, top).volume < wanted) return { ...shared, level: top, slope: 0, fault: 'sinks' };
  const upright = levelOf(slices, wanted, top);
  if (kg === 0) return { ...shared, level: upright, slope: 0, fault: null };
  const arm = at.x - middle;
  /** What is wrong, each as a share: of the volume, and of the length. */
  const miss = (level: number, slope: number): { f: Immersed; v: number; m: number; size: number } => {
    const f = immersed(slices, level, slope);
    const v = f.volume / wanted - 1;
    const m = (f.along - f.volume * arm + slope * (f.up - f.volume * at.z)) / (wanted * length);
    return { f, v, m, size: Math.hypot(v, 20 * m) };
  };
  let [level, slope] = [upright, 0];
  let now = miss(level, slope);
  for (let i = 0; i < STEPS && now.size > 1e-10; i++) {
    const { f } = now;
    const vz = f.plane / wanted;
    const vs = f.plane1 / wanted;
    const mz = (f.plane1 - f.plane * arm) / (wanted * length);
    const ms = (f.plane2 - f.plane1 * arm + f.up - f.volume * at.z) / (wanted * length);
    const det = vz * ms - vs * mz;
    if (Math.abs(det) < 1e-30) break;
    const dz = Math.max(-STEP.level, Math.min(STEP.level, (-now.v * ms + now.m * vs) / det));
    const ds = Math.max(-STEP.slope, Math.min(STEP.slope, (-now.m * vz + now.v * mz) / det));
    let [share, next] = [1, miss(level + dz, slope + ds)];
    while (next.size >= now.size && share > 1e-3) {
      share /= 2;
      next = miss(level + share * dz, slope + share * ds);
    }
    if (next.size >= now.size) break;
    level += share * dz;
    slope += share * ds;
    now = next;
    if (Math.abs(slope) > STEEPEST) break;
  }
  if (now.size <= 1e-6 && Math.abs(slope) <= STEEPEST) return { ...shared, level, slope, fault: null };
  // Step by step from upright to where the weight draws it: the first balance on the way, or that end goes under.
  const drawn = (tilt: number): { level: number; moment: number } => {
    const there = levelOf(slices, wanted, top, tilt);
    return { level: there, moment: miss(there, tilt).m };
  };
  const way = drawn(0).moment < 0 ? 1 : -1;
  for (let far = TILT; far <= STEEPEST + 1e-9; far += TILT) {
    if (way * drawn(way * far).moment < 0) continue;
    let [from, to] = [far - TILT, far];
    for (let i = 0; i < 60; i++) {
      const mid = (from + to) / 2;
      if (way * drawn(way * mid).moment < 0) from = mid;
      else to = mid;
    }
    return { ...shared, level: drawn(way * to).level, slope: way * to, fault: null };
  }
  return { ...shared, level: upright, slope: 0, fault: way > 0 ? 'stern under' : 'bow under' };
}
/** A balance is looked for every so much of slope where Newton finds none. */
const TILT = 0.005;

/** Volume and water plane under a plane, level unless it slopes: what the search for the level goes by. */
function upTo(slices: Slices, level: number, slope = 0): Pick<Immersed, 'volume' | 'plane'> {
  let [volume, plane] = [0, 0];
  for (const { x, weight, section } of slices.at) {
    const water = level + slope * (x - slices.middle);
    const area = section.area(water);
    if (area <= 0) continue;
    volume += weight * area;
    if (water < section.gunwale) plane += 2 * weight * section.halfWidth(water);
  }
  return { volume, plane };
}

/** The level that carries a volume, upright unless the plane slopes: Newton on the water plane, kept inside a bracket. */
function levelOf(slices: Slices, wanted: number, top: number, slope = 0): number {
  const room = Math.abs(slope) * slices.length;
  let [low, high] = [-room, top + room];
  let level = top / 2;
  for (let i = 0; i < 60; i++) {
    const { volume, plane } = upTo(slices, level, slope);
    const miss = volume - wanted;
    if (Math.abs(miss) < 1e-9 * wanted || high - low < 1e-9) break;
    if (miss > 0) high = level;
    else low = level;
    const step = plane > 0 ? level - miss / plane : NaN;
    level = step > low && step < high ? step : (low + high) / 2;
  }
  return level;
}

/** Balance figures of a floating: centres, metacentres and what a shifted weight does. Lengths mm. */
export interface Stability {
  readonly litres: number;
  /** Centre of buoyancy over the lowest keel point. */
  readonly kb: number;
  readonly bm: number;
  readonly bmAlong: number;
  /** Upright steadiness: metacentre over the centre of weight. */
  readonly gm: number;
  /** Moment that trims by a centimetre over the length, kg·m. */
  readonly trimMoment: number;
}

export function stabilityOf(slices: Slices, f: Floating): Stability {
  const i = immersed(slices, f.level, f.slope);
  const kb = i.up / i.volume;
  const bm = i.across / i.volume;
  const bmAlong = (i.plane2 - i.plane1 ** 2 / i.plane) / i.volume;
  const gmAlong = kb + bmAlong - f.centre.z;
  return {
    litres: i.volume / 1e6,
    kb,
    bm,
    bmAlong,
    gm: kb + bm - f.centre.z,
    trimMoment: (f.massKg * gmAlong) / (100 * slices.length),
  };
}
