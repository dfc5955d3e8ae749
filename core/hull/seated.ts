import type { HullModel } from './schema';

/** How one sits on a rig: what is chosen of the seat, and what raises it. */
export interface Sitting {
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
  const moved = <S extends { readonly x: number; readonly low: number; readonly high: number }>(seat: S, s: Sitting): S => ({
    ...seat,
    x: s.at ?? seat.x,
    low: seat.low + s.raise,
    high: seat.high + s.raise,
  });
  const plain = (s: Sitting): boolean => s.at === null && s.raise === 0;
  if (plain(first) && plain(second) && feet === null) return model;
  const seat = moved(model.seat, first);
  return {
    ...model,
    // A seat that is set somewhere stays there.
    seat: first.at === null ? seat : { ...seat, slide: { fore: first.at, aft: first.at } },
    ...(model.secondSeat ? { secondSeat: moved(model.secondSeat, second) } : {}),
    ...(model.feet && feet !== null ? { feet: { ...model.feet, fore: feet, aft: feet } } : {}),
  };
}
