import { briefSchema } from '@plain-cleat/core/rig';

const { stature, weightKg, raise, recline, seatAt, feetAt, paddle, rodLength, rods, distanceKm, budgetCents } = briefSchema.shape;

/** The bounds that the brief itself is held to, so that what is typed here is taken there. */
const within = ({ minValue, maxValue }: { minValue: number | null; maxValue: number | null }) => ({
  least: minValue ?? 0,
  most: maxValue ?? Number.MAX_SAFE_INTEGER,
});

/** What a person, a paddle, a rod or a day can be, mm, kg, km, cents. */
export const LIMITS = {
  stature: within(stature),
  weight: within(weightKg),
  paddle: within(paddle.unwrap()),
  raise: within(raise),
  recline: within(recline),
  seatAt: within(seatAt.unwrap()),
  feetAt: within(feetAt.unwrap()),
  rod: within(rodLength),
  rods: within(rods),
  distance: within(distanceKm),
  budget: within(budgetCents.unwrap()),
} as const;

/** As fine as anybody measures a seat, a body or a cut. */
export const tenths = <T extends number | null>(value: T): T => (value === null ? value : Math.round(value * 10) / 10) as T;
