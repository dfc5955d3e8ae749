import type { HullModel } from './schema';

/** Something of the hull itself that can be worn, or taken off: its seat, pegs, rails, handles, lids, what moves. */
export interface Feature {
  readonly key: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  /** It cannot be taken off here: the boat is sat in by it. */
  readonly stays?: true;
}

/** Everything of a hull that can be worn or taken off, bow to stern. */
export function featuresOf({ seat, secondSeat, feet, moving, rails, handles, hatches }: HullModel): Feature[] {
  const half = (a: number, b: number): number => (a + b) / 2;
  const one = (key: string, name: string, x: number, y = 0): Feature => ({ key, name, x, y });
  return [
    { ...one('seat', 'seat', seat.x), stays: true as const },
    ...(secondSeat ? [one('second-seat', 'second seat', secondSeat.x)] : []),
    ...(feet && feet.kind !== 'wells' ? [one('feet', `foot ${feet.kind}`, half(feet.fore, feet.aft))] : []),
    ...(moving ?? []).map((m) => one(`moving-${m.id}`, m.name, half(m.from.x, m.to.x), half(m.from.y, m.to.y))),
    ...(rails ?? []).map((r) => one(`rail-${r.id}`, r.name, half(r.from.x, r.to.x), half(r.from.y, r.to.y))),
    ...(handles ?? []).map((h) => one(`handle-${h.id}`, h.name, h.x)),
    ...hatches.map((h) => one(`lid-${h.id}`, `lid of the ${h.name}`, half(h.fore, h.aft), half(h.port, h.starboard))),
  ].sort((a, b) => a.x - b.x || a.y - b.y);
}

/**
 * A hull without some of its features.
 * @param gone their keys; what the hull does not have is passed over
 */
export function withoutFeatures(model: HullModel, gone: ReadonlySet<string>): HullModel {
  if (gone.size === 0) return model;
  const kept = <T extends { readonly id: string }>(kind: string, all: readonly T[] | undefined): T[] | undefined =>
    all?.filter((one) => !gone.has(`${kind}-${one.id}`));
  const { secondSeat, feet, ...rest } = model;
  return {
    ...rest,
    ...(secondSeat && !gone.has('second-seat') ? { secondSeat } : {}),
    ...(feet && !gone.has('feet') ? { feet } : {}),
    moving: kept('moving', model.moving),
    rails: kept('rail', model.rails),
    handles: kept('handle', model.handles),
    hatches: model.hatches.map(({ lid, ...hatch }) => (lid && !gone.has(`lid-${hatch.id}`) ? { ...hatch, lid } : hatch)),
  };
}
