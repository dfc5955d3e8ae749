import { upcastHull } from '../boat/hull';
import { upcastPart, type Part } from '../parts/parts';
import { USUAL_SHOP } from '../parts/shop';
import { isObject } from '../base/stored';
import { USUAL_BRIEF } from './brief';
import { everyGroupAt, type Plan } from './plan';
import type { ShopSettings } from '../parts/shop';

/** What a plan of version 1 did not have yet. */
const LAYERS = { sets: {}, stowage: {}, photos: {}, scuppers: {}, features: {}, own: {}, day: null, lines: {} } as const;

/** A stored plan of any version as one of this version; what it lacks takes the usual answer. */
export function upcastPlan(stored: unknown): Plan {
  if (!isObject(stored)) return stored as unknown as Plan;
  const brief = isObject(stored.brief) ? { ...USUAL_BRIEF, ...stored.brief } : stored.brief;
  return { ...LAYERS, ...stored, ...upcastRuns(stored.runs), brief, pins: upcastPins(stored.pins) } as unknown as Plan;
}

/** What was said to lie in the boat lay as its run says; how it lay was not kept. */
function upcastRuns(runs: unknown): object {
  if (!isObject(runs)) return {};
  const lain = Object.entries(runs).map(([id, run]) => {
    if (!isObject(run) || !isObject(run.aboard)) return [id, run];
    const { from, to, lane, via } = run;
    return [id, { ...run, aboard: { from, to, lane, via, ...run.aboard } }];
  });
  return { runs: Object.fromEntries(lain) };
}

/** Pins of before parts and groups of settings had revisions of their own. */
function upcastPins(pins: unknown): unknown {
  if (!isObject(pins) || typeof pins.shop !== 'number') return pins;
  const { hull, catalog: materials, shop, ...unknown } = pins;
  return { ...unknown, hull, materials, shop: everyGroupAt(shop as number) };
}

/** Stored shop settings of any version as ones of this version. */
export function upcastShop(stored: unknown): ShopSettings {
  if (!isObject(stored)) return stored as unknown as ShopSettings;
  const { rules } = USUAL_SHOP;
  const over = (usual: object, own: unknown): unknown => (isObject(own) ? { ...usual, ...own } : own);
  const labor = isObject(stored.labor)
    ? {
        takeOff: USUAL_SHOP.labor.takeOff,
        lineMinutes: USUAL_SHOP.labor.lineMinutes,
        ...stored.labor,
        mount: over(USUAL_SHOP.labor.mount, stored.labor.mount),
      }
    : stored.labor;
  return {
    rules,
    ...stored,
    labor,
    limits: over(USUAL_SHOP.limits, stored.limits ?? {}),
    drilling: over(USUAL_SHOP.drilling, stored.drilling),
    holding: over(USUAL_SHOP.holding, stored.holding ?? {}),
    wiring: upcastWiring(stored.wiring),
  } as unknown as ShopSettings;
}

/** What lies in one bundle was a setting; it is counted now. */
function upcastWiring(stored: unknown): unknown {
  if (!isObject(stored)) return stored;
  const { conductorsInBundle: _, ...wiring } = stored;
  // What was tested by a tick stays tested, and what was cut stays as long.
  return {
    series: 'AWG',
    follows: 0,
    checks: false,
    bundled: USUAL_SHOP.wiring.bundled,
    meter: false,
    readings: false,
    hot: USUAL_SHOP.wiring.hot,
    ...wiring,
    dropPercent: isObject(wiring.dropPercent)
      ? { charging: USUAL_SHOP.wiring.dropPercent.charging, ...wiring.dropPercent }
      : wiring.dropPercent,
  };
}

/** Stored parts of any version as ones of this version. */
export const upcastParts = (stored: unknown): Part[] => (Array.isArray(stored) ? stored.map(upcastPart) : stored) as Part[];

/** A rig file of any version as one of this version; anything else is left for the schema to refuse. */
export function upcastFile(json: unknown): unknown {
  if (!isObject(json) || ![1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14].includes(json.version as number)) return json;
  return {
    ...json,
    version: 15,
    plan: upcastPlan(json.plan),
    shop: upcastShop(json.shop),
    hull: upcastHull(json.hull),
    parts: upcastParts(json.parts),
  };
}
