import { type Awg, type Drop, type Guard, type SizedCable, type WireColour } from '../circuits';
import type { Feeding, GuardKind } from '../../rig';
import { type End } from './ends';
import { type LaidRun } from './run';

/** A fuse or breaker as it is fitted. */
export interface FittedGuard extends Guard {
  readonly kind: GuardKind;
  /** A short circuit behind it reaches no more than so much, A. */
  readonly short: number;
  /** The volts it opens at the most: of what feeds it while that is charged. */
  readonly volts: number;
  /** The short circuit that its kind still opens, A. */
  readonly breaks: number;
}

/** A cable that feeds something, worked out. */
export interface WiredRun extends LaidRun {
  /** The way it leaves by; null where what feeds it has none. */
  readonly way: number | null;
  /** What its way is called on the box. */
  readonly name: string | null;
  /** Which conductors it has, and how many. */
  readonly has: Feeding;
  readonly conductors: number;
  /** Conductors that lie in its bundle, its own among them. */
  readonly bundle: number;
  /** Loads whose current goes over it. */
  readonly feeds: readonly string[];
  /** With everything on, A. */
  readonly amps: number;
  readonly motor: boolean;
  readonly size: SizedCable;
  /** The gauge that will be fitted. */
  readonly awg: Awg | null;
  /** Of each conductor, mm². */
  readonly area: number | null;
  /** What it is called in the series the shop buys. */
  readonly gauge: string;
  /** Of the load on it that loses most of what it may. */
  readonly drop: Drop | null;
  /** The nearest protection before it: its own, or that of the way it hangs on. */
  readonly guard: FittedGuard | null;
  /** What protects it: nothing, something too large, or all is well. */
  readonly guarded: 'yes' | 'no' | 'too large';
  /** Of the conductor that goes out; what comes back is black. */
  readonly colour: WireColour;
  /** Every end of it that is crimped. */
  readonly ends: readonly End[];
}
