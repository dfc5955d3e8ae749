import type { HullModel } from './schema';
import type { HullSurface } from './hull-surface';

/** How one sits on a rig: what is chosen of the seat, and what raises it. */
interface Sitting {
  /** x of the hip; null as the hull is drawn. */
  readonly at: number | null;
  /** How much higher than drawn, mm. */
  readonly raise: number;
}

/** How everybody sits. */
export interface Sittings {
  readonly first: Sitting;
  readonly second: Sitting;
  /** Where pegs or pedals stand, x of the sole; null where they are not fixed. */
  readonly feet: number | null;
}

/** A hull as it is sat in: seats moved and raised, pegs set; what is judged of sitters follows from it. */
export function seated(model: HullModel, { first, second, feet }: Sittings): HullModel {
  // A seat that is set somewhere stays there.
  const moved = (seat: HullModel['seat'], { at, raise }: Sitting): HullModel['seat'] => ({
    ...seat,
    x: at ?? seat.x,
    low: seat.low + raise,
    high: seat.high + raise,
    ...(at === null ? {} : { slide: { fore: at, aft: at } }),
  });
  const plain = (s: Sitting): boolean => s.at === null && s.raise === 0;
  if (plain(first) && plain(second) && feet === null) return model;
  return {
    ...model,
    seat: moved(model.seat, first),
    ...(model.secondSeat ? { secondSeat: moved(model.secondSeat, second) } : {}),
    ...(model.feet && feet !== null ? { feet: { ...model.feet, fore: feet, aft: feet } } : {}),
  };
}

/** The same surface, sat in otherwise: seats and pegs are of another model of the same hull. */
export const satIn = (surface: HullSurface, model: HullModel): HullSurface =>
  Object.create(surface, { model: { value: model, enumerable: true } }) as HullSurface;
