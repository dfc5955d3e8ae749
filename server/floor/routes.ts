import type { Plan } from '@plain-cleat/core/rig';
import { ROUTES, type FloorPlace, type Progress } from '@plain-cleat/api';
import type { Router } from 'express';
import { OwnerRow, RigRow } from '../database/models';
import { bind } from '../http/bind';
import { notFound } from '../http/problem';
import { hullAt, newestShop } from '../revisions/revisions';
import { carriedBy, planOf, todayIn } from '../rigs/load';
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
    const model = carriedBy({ carried })?.hull ?? (await hullAt(id, revision));
    if (!model) throw notFound('rig', 'its hull is missing');
    const made = { name: model.name, outline: outlineOf(model) };
    outlines.set(key, made);
    return made;
  };

  bind(router, ROUTES.floor, async () => {
    await projection.settled(FRESH);
    const [rigs, owners, shop] = await Promise.all([
      RigRow.findAll({ order: [['number', 'ASC']] }),
      OwnerRow.findAll(),
      newestShop(),
    ]);
    const names = new Map(owners.map((o) => [o.id, o.name]));
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
