import type { Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';

type Settings = ShopSettings['holding'];

/** A track is no shorter than room for two screws and what slides between them (judgement), mm. */
export const SHORTEST = 100;

/**
 * Where the holes of a track are drilled: so far in from each end, no farther apart than the shop's pitch, in
 * even steps and an odd number of them, so that there is one in the middle to hold it by.
 *
 * @returns distances from the middle, forward first, mm
 */
export function trackHoles(length: number, { pitch, end }: Pick<Settings, 'pitch' | 'end'>): number[] {
  const span = Math.max(0, length - 2 * end);
  const steps = 2 * Math.max(1, Math.ceil(span / 2 / pitch - 1e-9));
  return Array.from({ length: steps + 1 }, (_, i) => (i / steps - 0.5) * span);
}

/** A track cut to a length from its stock: size, holes, weight and price follow. */
export function cutTrack(part: Part, length: number | undefined, settings: Settings): Part {
  const { body, holes, holding, sold } = part;
  if (!holding.slot || !sold.cutFrom || length === undefined || length === body.base.length) return part;
  const share = length / body.base.length;
  const along = ([a, b]: readonly [number, number]): [number, number] => [a * share, b * share];
  return {
    ...part,
    body: {
      ...body,
      base: { ...body.base, length },
      solids: body.solids.map((s) => ({ ...s, u: along(s.u) })),
      massKg: body.massKg * share,
    },
    holes: { ...holes, at: trackHoles(length, settings).map((u) => ({ u, v: 0 })) },
    sold: { ...sold, priceCents: Math.round(sold.priceCents * share), cutFrom: { ...sold.cutFrom, length } },
  };
}
