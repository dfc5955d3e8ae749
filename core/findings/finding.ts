import type { ShopSettings } from '../catalog';
import type { HullSurface } from '../hull';
import type { Fitted } from '../drilling';
import type { EvenKeel } from '../float';
import type { StrokeHit } from '../layout';
import type { Acceptance, LedgerHole, Plan } from '../rig';
import type { Sentence } from '../units';
import type { WiredRun } from '../wiring';

export type Severity = 'stop' | 'look' | 'note';
/** The step at which it is settled. */
export type FindingStep = 'lay out' | 'drill' | 'wire' | 'price';

/** One fact that wants settling: where, by how much, because. */
export interface Finding {
  /** Stable while the same thing is wrong in the same place. */
  readonly key: string;
  readonly code: string;
  readonly severity: Severity;
  readonly step: FindingStep;
  /** Fitting or run it is about. */
  readonly where: string;
  readonly letter: string;
  readonly x: number;
  readonly says: Sentence;
  readonly because: Sentence;
  /** Who may accept it with a reason. */
  readonly acceptable: 'anyone' | 'manager' | 'nobody';
  readonly accepted: Acceptance | null;
  readonly curable: boolean;
}

/** All a judgement may look at. */
export interface Bench {
  readonly hull: HullSurface;
  readonly plan: Plan;
  readonly shop: ShopSettings;
  readonly asOf: string;
  /** Bow to stern. */
  readonly items: readonly Fitted[];
  readonly runs: readonly WiredRun[];
  /** Holes of the hull that no fitting of this plan uses. */
  readonly oldHoles: readonly LedgerHole[];
  readonly float: EvenKeel;
  readonly massKg: number;
  /** How far a fitting stands in the paddle stroke. */
  intrusionOf(item: Fitted): StrokeHit;
}

export type Raw = Omit<Finding, 'accepted' | 'key'> & { readonly detail?: string };

/** A judgement is one pure function; a new one is a new file and a line in the list. */
export type Judgement = (bench: Bench) => Raw[];

/** The fields most findings about one fitting share. */
export const about = (item: Fitted): Pick<Raw, 'where' | 'letter' | 'x' | 'acceptable' | 'curable' | 'step'> => ({
  where: item.placed.id,
  letter: item.letter,
  x: item.placed.frame.origin.x,
  acceptable: 'anyone',
  curable: false,
  step: 'lay out',
});
