import type { ShopSettings } from '@plain-cleat/core/catalog';
import type { HullModel } from '@plain-cleat/core/hull';
import type { Plan } from '@plain-cleat/core/rig';
import { ROUTES, type FloorPlace, type Progress } from '@plain-cleat/api';
import type { Router } from 'express';
import { HullModelRow, OwnerRow, RigRow, ShopRow } from '../database/models';
import { bind } from '../http/bind';
import { planOf, todayIn, type Carried } from '../rigs/load';
import type { Projection } from '../rigs/progress';
import { outlineOf } from './outline';

/** Whoever comes to the floor right after a change waits so long for its progress, ms. */
const FRESH = 1500;

/** The floor: every rig where it lies. */
export function floorRoutes(router: Router, projection: Projection): void {
  const outlines = new Map<string, { name: string; outline: [number, number][] }>();
  const drawn = async (plan: Plan, carried: string | null): Promise<{ name: string; outline: [number, number][] }> => {
    const { id, revision } = plan.pins.hull;
    const key = `${id} ${revision}`;
    const known = outlines.get(key);
    if (known) return known;
    const row = carried ? null : await HullModelRow.findOne({ where: { id, revision } });
    const model = carried ? (JSON.parse(carried) as Carried).hull : (JSON.parse(row?.document ?? '') as HullModel);
    const made = { name: model.name, outline: outlineOf(model) };
    outlines.set(key, made);
    return made;
  };

  bind(router, ROUTES.floor, async () => {
    await projection.settled(FRESH);
    const [rigs, owners, shopRow] = await Promise.all([
      RigRow.findAll({ order: [['number', 'ASC']] }),
      OwnerRow.findAll(),
      ShopRow.findOne({ order: [['revision', 'DESC']] }),
    ]);
    const names = new Map(owners.map((o) => [o.id, o.name]));
    const shop = JSON.parse(shopRow?.document ?? '{"name":"","timeZone":"UTC"}') as ShopSettings;
    const summaries = await Promise.all(
      rigs.map(async (row) => {
        const plan = planOf(row);
        const hull = await drawn(plan, row.carried);
        return {
          id: row.id,
          number: row.number,
          title: plan.title,
          owner: names.get(row.ownerId) ?? '',
          hull: hull.name,
          outline: hull.outline,
          place: row.place as FloorPlace,
          promised: plan.promised,
          progress: JSON.parse(row.progress) as Progress,
        };
      }),
    );
    return { shop: shop.name, today: todayIn(shop.timeZone), rigs: summaries };
  });
}
