import { GUARDS, type GuardKind } from '../../rig';

/** Fuse and breaker ratings sold, A (ATO/ATC, MAXI and ANL ranges; from memory). */
export const RATINGS = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 100] as const;

/** Amps that may flow all day, and those that only full thrust takes, which is short. */
export interface Asked {
  readonly steady: number;
  readonly thrust: number;
}

export const NOTHING_ASKED: Asked = { steady: 0, thrust: 0 };

/** What is asked for in all. */
export const inAll = ({ steady, thrust }: Asked): number => steady + thrust;

/** Amps in words, rounded up: there are no more. */
export const printAmps = (amps: number): string => String(Math.ceil(amps * 100 - 1e-6) / 100);

/** Whether a rating lets a load through: what flows all day takes 80 % of it at the most (common practice, no source). */
export const carries = (rating: number, { steady, thrust }: Asked): boolean =>
  rating >= steady / 0.8 + thrust - 1e-9 && (thrust === 0 || rating > steady + thrust + 1e-9);

export interface Protection {
  readonly rating: number | null;
  /** Rated over the conductor's ampacity but within 150 %, where no size sold fits under it (E-11). */
  readonly over: boolean;
}

/**
 * Protection between load and conductor. What the load's maker states wins. Else the smallest rating that carries the
 * load: 80 % of it when continuous (common practice, no source); a motor's full thrust is short, so the next rating
 * over it: 30 A takes 40, 42 takes 50, 50 takes 60 (common practice, no source). Never over what the conductor
 * carries, but for the next size sold up to 150 % where none fits under it (E-11).
 */
export function chooseFuse(asked: Asked, ampacity: number, own?: number): Protection {
  const rating = own ?? RATINGS.find((r) => carries(r, asked));
  if (rating !== undefined && rating <= ampacity) return { rating, over: false };
  const next = RATINGS.find((r) => r >= ampacity);
  const fits = rating !== undefined && rating === next && rating <= 1.5 * ampacity;
  return { rating: fits ? rating : null, over: fits };
}

/** What a kind of protection is: the ratings it is sold in, the amps of a short circuit it still opens, and at what volts. */
interface Kind {
  readonly least: number;
  readonly most: number;
  readonly breaks: number;
  readonly volts: number;
}

/** What protects (makers' data sheets, from memory). */
export const KINDS: Readonly<Record<GuardKind, Kind>> = {
  'blade fuse': { least: 1, most: 40, breaks: 1000, volts: 32 },
  breaker: { least: 25, most: 100, breaks: 3000, volts: 48 },
  'strip fuse': { least: 40, most: 100, breaks: 6000, volts: 32 },
  'class T fuse': { least: 30, most: 100, breaks: 20_000, volts: 125 },
};

/** What a protection may have to open: so many amps of a short circuit, at so many volts. */
export interface Opens {
  readonly short: number;
  readonly volts: number;
}

/** Whether a kind is sold in a rating. */
const suits = (kind: GuardKind, rating: number): boolean => rating >= KINDS[kind].least && rating <= KINDS[kind].most;

/** Whether a kind opens such a short circuit. */
export const opensAll = (kind: GuardKind, { short, volts }: Opens): boolean =>
  KINDS[kind].breaks >= short && KINDS[kind].volts >= volts;

/** Whether a kind, or any, is sold in a rating; one that opens such a short circuit where that is asked. */
export const isSold = (rating: number, kind: GuardKind | null, opens?: Opens): boolean =>
  RATINGS.some((r) => r === rating) && (kind ? [kind] : GUARDS).some((k) => suits(k, rating) && (!opens || opensAll(k, opens)));

/** The ratings that a kind is sold in. */
export const ratingsOf = (kind: GuardKind): readonly number[] => RATINGS.filter((r) => suits(kind, r));

/**
 * The kind for a rating where a short circuit reaches so many amps at so many volts: a breaker for what turns a motor, for it is reset at once;
 * else a blade, which anyone has a spare of (common practice, no source). Where none opens so much, the one that opens the most.
 */
export function chooseKind(rating: number, opens: Opens, motor: boolean): GuardKind {
  const liked: readonly GuardKind[] = motor
    ? ['breaker', 'strip fuse', 'class T fuse', 'blade fuse']
    : ['blade fuse', 'breaker', 'strip fuse', 'class T fuse'];
  const sold = liked.filter((k) => suits(k, rating));
  return sold.find((k) => opensAll(k, opens)) ?? [...sold].sort((a, b) => KINDS[b].breaks - KINDS[a].breaks)[0] ?? 'blade fuse';
}
