import type { Place } from '@plain-cleat/core/rig';

/** A place as the corpus writes it: `deck 2700 0 90`, `track fwd-port 1450`, `room bow-hold 560 0`, `on a 0 0`, `side port 1800 250`, `scupper scup-1`. */
export function placeOf(words: string): Place {
  const [on, ...rest] = words.split(' ');
  const n = (i: number): number => Number(rest[i] ?? 0);
  const id = rest[0] ?? '';
  switch (on) {
    case 'deck':
      return { on, x: n(0), y: n(1), heading: n(2) };
    case 'track':
      return { on, track: id, x: n(1), heading: n(2) };
    case 'room':
      return { on: 'space', space: id, x: n(1), y: n(2), heading: n(3) };
    case 'on':
      return { on: 'fitting', fitting: id, u: n(1), v: n(2), heading: n(3) };
    case 'side':
      return { on, side: id === 'port' ? 'port' : 'starboard', x: n(1), down: n(2) };
    case 'scupper':
      return { on, scupper: id, heading: n(1) };
    default:
      throw new Error(`no place ${words}`);
  }
}
