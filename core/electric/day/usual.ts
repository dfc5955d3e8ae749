import type { Brief, Day } from '../../rig';

/** The day that a brief asks for, before anybody types another: out and back with stops, by night where it says so (judgement). */
export function usualDay({ waters, propulsion }: Pick<Brief, 'waters' | 'propulsion'>): Day {
  const does = propulsion.includes('motor') ? 'motor' : 'paddle';
  const night = waters.includes('night');
  const go = { does, minutes: 45, kmh: 4.5 } as const;
  const stop = { does: 'stopped', minutes: 75, kmh: 0 } as const;
  return {
    starts: night ? 1140 : 420,
    legs: [go, stop, go, stop, { ...go, minutes: 90 }],
    dark: { from: 1260, to: 360 },
    duty: {},
    readings: [],
  };
}
