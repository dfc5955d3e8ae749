import { LENGTHS, SCREW_LENGTHS, type NutKind, type Thread } from './tables';

/** Everything one bolt clamps, mm. */
export interface Stack {
  readonly base: number;
  readonly gasket: number;
  readonly wall: number;
  readonly plate: number;
}

/** What goes on a bolt behind what it clamps, greatest heights, mm. */
export interface BackOfBolt {
  readonly washer: number;
  readonly nut: number;
}

/** A washer and a nut of the shop's kind. */
export const nutted = (thread: Thread, kind: NutKind): BackOfBolt => ({ washer: thread.washer, nut: thread.nuts[kind] });

/** Into a thread of its own: a tapped plate, a plate the maker tapped. */
export const TAPPED: BackOfBolt = { washer: 0, nut: 0 };

export type FastenerChoice =
  | { readonly ok: true; readonly length: number; readonly showing: number; readonly needed: number }
  | { readonly ok: false; readonly needed: number; readonly short: number };

/**
 * The shortest bolt sold that clears stack, washer, nut and one and a half threads.
 *
 * @param stack everything clamped, mm
 * @param behind washer and nut that really go on
 * @returns its length and how much stands out past the nut, or by how much the longest sold is short
 */
export function chooseBolt(thread: Pick<Thread, 'family' | 'pitch'>, stack: Stack, behind: BackOfBolt): FastenerChoice {
  const clamped = stack.base + stack.gasket + stack.wall + stack.plate;
  const needed = clamped + behind.washer + behind.nut + 1.5 * thread.pitch;
  const lengths = LENGTHS[thread.family];
  const length = lengths.find((l) => l >= needed - 1e-9);
  if (length === undefined) return { ok: false, needed, short: needed - (lengths[lengths.length - 1] ?? 0) };
  return { ok: true, length, needed, showing: length - clamped - behind.washer - behind.nut };
}

/**
 * The longest screw sold that does not bottom out in a blind thread, if it still bites deep enough.
 *
 * @param base what it clamps, mm
 * @param depth of thread in the insert, mm
 * @returns its length and how deep it goes in, or how much thread is missing. It bites one diameter at the
 *   least (common practice, no source) and stops a millimetre short of the bottom
 */
export function chooseBlind(thread: Thread, base: number, depth: number): FastenerChoice {
  const needed = base + thread.diameter;
  const most = base + depth - 1;
  const length = LENGTHS[thread.family].filter((l) => l <= most + 1e-9).at(-1);
  if (length === undefined || length < needed - 1e-9) return { ok: false, needed, short: needed - (length ?? 0) };
  return { ok: true, length, needed, showing: 0 };
}

/** The shortest self-tapping screw that goes through the wall, and a little on (common practice, no source). */
export function chooseScrew(base: number, wall: number): FastenerChoice {
  const needed = base + wall + 3;
  const length = SCREW_LENGTHS.find((l) => l >= needed - 1e-9);
  return length === undefined
    ? { ok: false, needed, short: needed - (SCREW_LENGTHS.at(-1) ?? 0) }
    : { ok: true, length, needed, showing: length - base - wall };
}

/** Prints a bolt length as it is sold: `M6 × 25`, `1/4-20 × 1 1/4`. */
export function boltName(thread: Thread, length: number): string {
  if (thread.family === 'metric') return `${thread.name} × ${length}`;
  const eighths = Math.round((length / 25.4) * 8);
  const whole = Math.floor(eighths / 8);
  let [n, d] = [eighths % 8, 8];
  while (n && n % 2 === 0) [n, d] = [n / 2, d / 2];
  return `${thread.name} × ${[whole || '', n ? `${n}/${d}` : ''].filter(Boolean).join(' ')}`;
}
