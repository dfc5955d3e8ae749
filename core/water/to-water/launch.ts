import type { Fitted } from '../../holding/fitted';
import { comesOff } from '../../layout';
import type { Hold } from '../../parts/parts';
import type { Plan } from '../../rig';

/** Minutes to put a thing on at the water, by how it is held (judgement; a pod or a track mount in under one is common practice). */
const MINUTES: Readonly<Record<Hold, number>> = {
  loose: 0.5,
  strap: 1.5,
  clamp: 1,
  track: 1,
  insert: 2,
  scupper: 0.5,
  glue: 0,
  screw: 5,
  rivet: 0,
  'well nut': 4,
  through: 6,
  'pulled plate': 8,
  stud: 1.5,
  'cable tie': 2,
  'hook and loop': 0.5,
  magnet: 0.5,
};
/** A wire to plug in, a tether to clip on (judgement), minutes. */
const PLUG = 0.5;
const CLIP = 0.25;

/** One thing put on at the water. */
export interface LaunchStep {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly french: string;
  readonly hold: Hold;
  /** How many wires are plugged in. */
  readonly plugs: number;
  readonly tether: boolean;
  readonly rides: Plan['fittings'][string]['rides'] | null;
  readonly minutes: number;
}

/** Every thing that comes off for the road, in the order it goes on again: what carries before what it carries, bow to stern. */
export function launchSteps(owned: readonly Fitted[], runs: Plan['runs']): LaunchStep[] {
  const depth = ({ placed }: Fitted): number => {
    let n = 0;
    for (let next = placed.below; next; next = next.below) n++;
    return n;
  };
  return owned
    .filter((i) => comesOff(i.placed))
    .sort((a, b) => depth(a) - depth(b) || a.placed.frame.origin.x - b.placed.frame.origin.x)
    .map(({ placed: { id, part, fitting }, mounted, letter }): LaunchStep => {
      const plugs = Object.values(runs).filter((r) => r.from === id || r.to === id).length;
      const tether = fitting.tether !== undefined;
      return {
        fitting: id,
        letter,
        name: part.name,
        french: part.french,
        hold: mounted.hold,
        plugs,
        tether,
        rides: fitting.rides ?? null,
        minutes: MINUTES[mounted.hold] + plugs * PLUG + (tether ? CLIP : 0),
      };
    });
}

const SAYS = {
  en: {
    plugs: (n: number) => (n === 1 ? 'plug it in' : `${n} plugs`),
    tether: 'clip its tether on',
    rides: {
      car: 'from the car',
      boat: 'from inside the boat',
      bag: 'from its bag',
      trailer: 'from the trailer',
      home: 'from home',
    },
  },
  fr: {
    plugs: (n: number) => (n === 1 ? 'brancher' : `${n} prises`),
    tether: 'accrocher la longe',
    rides: {
      car: 'dans la voiture',
      boat: 'dans le bateau',
      bag: 'dans son sac',
      trailer: 'sur la remorque',
      home: 'à la maison',
    },
  },
} as const;

/** What is done with one thing at the water, besides putting it on: “from the car, plug it in”. */
export function launchWords({ plugs, tether, rides }: LaunchStep, language: 'en' | 'fr'): string {
  const says = SAYS[language];
  return [rides ? says.rides[rides] : '', plugs ? says.plugs(plugs) : '', tether ? says.tether : ''].filter(Boolean).join(', ');
}

/** All of it, minutes, rounded up to a whole one. */
export const rigUpMinutes = (steps: readonly LaunchStep[]): number => Math.ceil(steps.reduce((sum, s) => sum + s.minutes, 0));

/** How a boat with what stays on it is tied on a roof. */
export interface RoofTies {
  /** x of the two straps over it. */
  readonly straps: readonly [number, number];
  /** A line from each of these handles. */
  readonly lines: readonly { readonly name: string; readonly x: number }[];
  /** What stands where a strap would lie. */
  readonly under: readonly string[];
}

/** Straps go over at a quarter and three quarters of the length (common practice, no source). */
const QUARTERS = [0.25, 0.75] as const;
/** A strap is so wide with room, mm (judgement). */
const STRAP = 60;

/** Two straps over the hull clear of what stays on it, and a line from each handle. */
export function roofTies(
  { length, model }: { readonly length: number; readonly model: { readonly handles?: readonly { name: string; x: number }[] } },
  stays: readonly Fitted[],
): RoofTies {
  const spans = stays.map(({ placed: { bodies }, letter }) => {
    const xs = bodies.flatMap((b) => b.outline.map(([x]) => x));
    return { letter, fore: Math.min(...xs) - STRAP / 2, aft: Math.max(...xs) + STRAP / 2 };
  });
  const free = (x: number): boolean => spans.every((s) => x < s.fore || x > s.aft);
  const place = (share: number): number => {
    const at = share * length;
    // The nearest clear place within a tenth of the length either way.
    for (let off = 0; off <= 0.1 * length; off += 10) {
      const x = [at - off, at + off].find(free);
      if (x !== undefined) return x;
    }
    return at;
  };
  const straps: [number, number] = [place(QUARTERS[0]), place(QUARTERS[1])];
  const under = spans.filter((s) => straps.some((x) => x >= s.fore && x <= s.aft)).map((s) => s.letter);
  return { straps, lines: [...(model.handles ?? [])].sort((a, b) => a.x - b.x), under };
}
