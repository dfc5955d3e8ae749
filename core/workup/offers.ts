import type { Materials } from '../parts/catalog';
import type { HullModel } from '../boat/hull';
import { type Part, revisionOf } from '../parts/parts';
import { type DraftChange, type Pin, type Plan, sameJson } from '../rig';
import { GROUP_NAMES, groupOf, SETTINGS_GROUPS, type ShopSettings, withGroup } from '../parts/shop';
import type { WorkupInput } from './workup';

/** The newest of what a plan was made with; null where nothing is newer. Of its parts those that are. */
export interface Newer {
  readonly hull: HullModel | null;
  readonly materials: Materials | null;
  readonly shop: ShopSettings | null;
  readonly parts: Part[];
}

/** A newer revision that a plan may take. */
export interface Offer {
  /** What it is of: one offer a thing. */
  readonly of: string;
  /** What it is of, as a sentence begins with it. */
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly changes: readonly DraftChange[];
  /** What the plan is worked up from once it is taken. */
  readonly taken: (input: WorkupInput) => WorkupInput;
}

/** A pin as it is offered anew. */
function pinned(pin: Pin, name: string, from: number, to: number, taken: Offer['taken']): Offer[] {
  return to > from ? [{ of: pin, name, from, to, changes: [{ kind: 'adoptRevision', pin, from, to }], taken }] : [];
}

/** A newer revision of a part for all fittings that are of an older one. */
function ofPart(plan: Plan, part: Part): Offer[] {
  const to = revisionOf(part);
  const older = Object.entries(plan.fittings).filter(([, f]) => f.part === part.id && revisionOf(f) < to);
  if (older.length === 0) return [];
  const renewed = (fittings: Plan['fittings']): Plan['fittings'] => ({
    ...fittings,
    ...Object.fromEntries(older.map(([id, f]) => [id, { ...f, revision: to }])),
  });
  return [
    {
      of: `part ${part.id}`,
      name: part.name,
      from: Math.min(...older.map(([, f]) => revisionOf(f))),
      to,
      changes: older.map(([item, f]) => ({ kind: 'adoptPart', item, from: f.revision ?? null, to })),
      taken: (input) => ({
        ...input,
        plan: { ...input.plan, fittings: renewed(input.plan.fittings) },
        catalog: { ...input.catalog, parts: [...input.catalog.parts, part] },
      }),
    },
  ];
}

/** What of the newest a plan is offered: the hull, the materials and each part and group of settings that is another by now. */
export function offersOf(input: Pick<WorkupInput, 'plan' | 'shop' | 'catalog'>, newer: Newer): Offer[] {
  const { plan, shop } = input;
  const { hull, materials, shop: settings } = newer;
  const { pins } = plan;
  const differs = (one: unknown, other: unknown): boolean => !sameJson(one, other);
  return [
    ...(hull ? pinned('hull', 'This hull', pins.hull.revision, hull.revision, (was) => ({ ...was, hull })) : []),
    ...newer.parts.flatMap((part) => ofPart(plan, part)),
    ...(materials && differs(materials.consumables, input.catalog.consumables)
      ? pinned('materials', 'The list of materials', pins.materials, materials.revision, (was) => ({
          ...was,
          catalog: { ...was.catalog, consumables: materials.consumables },
        }))
      : []),
    ...SETTINGS_GROUPS.flatMap((group) =>
      settings && differs(groupOf(settings, group), groupOf(shop, group))
        ? pinned(group, `The shop’s ${GROUP_NAMES[group]}`, pins.shop[group], settings.revision, (was) => ({
            ...was,
            shop: withGroup(was.shop, group, settings),
          }))
        : [],
    ),
  ];
}
