import { CATALOG } from '../demo/index';
import type { Plan } from '../core/rig';
import type { Workup } from '../core/workup';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';

/** What the strip, its lanes and its lists show while a fitting is under the finger. */
export const UNDER_A_DRAG: readonly (keyof Workup)[] = [
  ...(['surface', 'ledger', 'parts', 'layout', 'aboard', 'drilling', 'wiring', 'weight', 'findings'] as const),
];

/** A rig of so many fittings, spread over the boat, with a feed to each that draws. */
export function rigOf(count: number): Plan {
  const { plan } = inputOf({});
  const drilled = CATALOG.parts.filter((p) => !p.power?.battery && !p.use.propels);
  const fittings: Plan['fittings'] = { battery: fitted('battery-30', deck(600, 0), 'loose') };
  for (let i = 0; i < count - 1; i++) {
    const part = drilled[i % drilled.length];
    if (part)
      fittings[`f${i}`] = fitted(
        part.id,
        deck(200 + (i % 60) * 55, ((i % 5) + Math.floor(i / 60) / 2 - 2) * 60),
        part.holding.ways.includes('through') ? 'through' : 'loose',
      );
  }
  const runs = Object.fromEntries(
    Object.entries(fittings)
      .filter(([, f]) => CATALOG.parts.find((p) => p.id === f.part)?.power?.draw)
      .map(([id]) => [`r-${id}`, { from: 'battery', to: id, lane: 'inside port' as const, via: [], awg: null }]),
  );
  return { ...plan, fittings, runs };
}
