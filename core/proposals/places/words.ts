import { findDatum, reading } from '../../boat/hull';
import { HOLD_WORDS } from '../../holding/mounting';
import { REACH, usedHow, ZONE_FOR, type ReachZone } from '../../layout';
import { capital, mm, say, sideOf, type Sentence } from '../../base/units';
import type { WorkupInput } from '../../workup';
import { placedBy } from '../fixes';
import { handTo } from './hand';
import { decidedBy, type Score } from './score';
import type { TriedPlace } from './place-trials';

/** A place in words. */
export interface PlaceWords {
  /** Where it is, and what the tape reads there. */
  readonly title: Sentence;
  /** What speaks for it. */
  readonly says: Sentence;
  /** What speaks against it, the worst first; empty where nothing does. */
  readonly against: Sentence;
}

/** So much of what speaks against a place is said whole. */
const SAID = 2;

export function placeInWords({ plan }: Pick<WorkupInput, 'plan'>, tried: TriedPlace): PlaceWords {
  const { after, item, against, score, extras } = tried;
  const own = after.aboard.owned.find((i) => i.placed.id === item);
  if (!own) return { title: [], says: [], against: [] };
  const { frame, part } = own.placed;
  const base = baseOf(tried) ?? own;
  const { surface } = after;
  const at = frame.origin;
  const side = sideOf(at.y);
  const named = base.placed.frame.surface;
  const there = side === 'centre' || named.includes(side) ? named : `${named}, ${side}`;
  const read = say`, ${mm(reading(surface, findDatum(surface, plan.tape.datum), plan.tape.run, at))}`;
  const wants = REACH.indexOf(ZONE_FOR[usedHow(own.placed)]) < REACH.length - 1;
  const { zone } = handTo(own.placed, after);
  const hand = part.use.byHand && wants && zone ? HAND_WORDS[zone] : null;
  const pieces = [
    hand,
    HOLD_WORDS[base.mounted.hold],
    holesInWords(
      score.holes,
      base.holes.some((h) => h.reused),
    ),
    ...floats(score),
  ];
  const worst = [...against].sort((a, b) => Number(a.severity !== 'stop') - Number(b.severity !== 'stop'));
  const more = worst.length - SAID;
  return {
    title: [capital(there), ...read],
    says: say`${capital(pieces.filter((p) => p !== null).join(', '))}${extras.length ? `, with ${extras.join(', ')}` : ''}.`,
    against: [...saidOf(worst), ...(more > 0 ? [` And ${more} more.`] : [])],
  };
}

/** The first of some findings, one after the other. */
const saidOf = (findings: TriedPlace['against']): Sentence =>
  findings.slice(0, SAID).flatMap((f, i) => [...(i ? [' '] : []), ...f.says]);

/** What stops a place: that would have to give. */
export const stoppedBy = ({ against }: Pick<TriedPlace, 'against'>): Sentence =>
  saidOf(against.filter((f) => f.severity === 'stop'));

const HAND_WORDS: Readonly<Record<ReachZone, string>> = {
  'at hand': 'at hand',
  'half turn': 'a half turn to reach',
  'out of reach': 'out of reach',
};

/** What the thing stands on at the place itself. */
function baseOf({ after, changes }: TriedPlace): TriedPlace['after']['aboard']['owned'][number] | undefined {
  const [first] = placedBy(changes);
  return after.aboard.owned.find((i) => i.placed.id === first);
}

const holesInWords = (holes: number, reused: boolean): string =>
  holes > 0 ? `${holes} new ${holes === 1 ? 'hole' : 'holes'}` : reused ? 'old holes used again' : 'no holes';

const floats = ({ balance }: Score): string[] =>
  balance > 0 ? ['trims or leans the boat more'] : balance < 0 ? ['leaves the boat more level'] : [];

/** What is worse of a place that comes later: what first tells the two apart. */
const LATER: Readonly<Record<keyof Score, string>> = {
  stops: 'is stopped',
  hand: 'is out of the reach its use asks for',
  balance: 'leaves the boat less level',
  looks: 'has more said against it',
  holes: 'makes more holes',
  minutes: 'takes longer',
  money: 'costs more',
  habit: 'is held in a way the shop likes less',
  near: 'is farther from the hand',
  side: 'is not on the casting side',
  across: 'is farther from the centre line',
  along: 'is farther from the seat',
};

/** Why the places shown come in this order, in sentences. */
export function orderInWords(places: readonly Pick<TriedPlace, 'score'>[]): string {
  const [first, ...others] = places;
  if (!first || others.length === 0) return 'It is the only place that passes.';
  const passes = first.score.looks === 0 ? 'Nothing is said against 1. ' : 'Nothing stops any of them. ';
  const reasons = others.map((other, i) => {
    const by = decidedBy(first.score, other.score);
    return by ? `${i + 2} ${LATER[by]}` : `${i + 2} is as good as 1`;
  });
  return `${passes}${capital(reasons.join('; '))}.`;
}
