import { gaugeWords } from '../electric/circuits';
import { containersOf, isIn } from '../holding/inside';
import { findDatum, reading, RUN_NAMES } from '../boat/hull';
import { frameOf } from '../layout';
import { OFTEN_WORDS } from '../parts/parts';
import { cordWords } from '../lines';
import { HOLD_WORDS } from '../holding/mounting';
import {
  BECOMES_WORDS,
  BY_WORDS,
  entryOf,
  type Day,
  type Fitting,
  type Line,
  GROUND_WORDS,
  type Mount,
  type Place,
  type Plan,
  RIDES_WORDS,
  type Run,
  type Stowed,
} from '../rig';
import { ground as onLand, kg, km, mm, printMoney, say, type Sentence, sideOf } from '../base/units';
import { nameOf, type Told } from './field-words';

/** Where a place is: by the tape as the plan has it hooked, and off the centre line. */
function placeWords(place: Place, { plan, workup }: Told): Sentence {
  const {
    surface,
    aboard: { owned },
  } = workup;
  const below = place.on === 'fitting' ? owned.find((i) => i.placed.id === place.fitting)?.placed : undefined;
  const frame = frameOf(surface, place, below);
  if (!frame) return say`on what is not aboard any more`;
  const { origin } = frame;
  const datum = findDatum(surface, plan.tape.datum);
  const along = say`${mm(reading(surface, datum, plan.tape.run, origin))} from ${datum.name}`;
  const off = Math.abs(origin.y) < 0.5 ? say`on the centre line` : say`${mm(Math.abs(origin.y))} to ${sideOf(origin.y)}`;
  const heading = 'heading' in place && place.heading !== 0 ? say`, turned ${Number(place.heading.toFixed(1))}°` : say``;
  return say`${frame.surface}, ${along}, ${off}${heading}`;
}

const mountWords = ({ hold, plate, reason }: Mount): string =>
  `${HOLD_WORDS[hold]}${plate ? ', with a backing plate' : ''}${reason ? `: ${reason}` : ''}`;

const runWords = (run: Run, told: Told): string =>
  `from ${nameOf(told, run.from)} to ${nameOf(told, run.to)}, ${run.lane}${run.via.length ? `, by ${run.via.length} points` : ''}${run.awg === null ? '' : `, ${gaugeWords(run.awg, told.workup.wiring.rules.series)}`}`;

const lineWords = ({ use, of, diameter, way, through }: Line): string =>
  `${use}, ${cordWords({ of, diameter })}, ${way}, by ${through.length} points`;

function stowedWords(thing: Stowed, { workup }: Told): Sentence {
  const held = containersOf(workup.surface, workup.aboard.owned).find((c) => isIn(thing, c));
  return say`${thing.what}, ${kg(thing.kg)}, in ${held?.name ?? 'a place inside'}`;
}

const yes = (value: unknown): string => (value ? 'yes' : 'no');
const listed = (value: unknown): string => (Array.isArray(value) && value.length ? value.join(', ') : 'none');

function fittingValue(field: string, value: unknown, told: Told): Sentence {
  switch (field) {
    case 'place':
    case 'elsewhere':
      return value ? placeWords(value as Place, told) : say`as in the other sets`;
    case 'lift':
      return value ? say`raised ${mm(value as number)}` : say`none`;
    case 'length':
      return value ? say`${mm(value as number)}` : say`as it is sold`;
    case 'mount':
      return say`${mountWords(value as Mount)}`;
    case 'lean':
      return say`${Number(value ?? 0)}°`;
    case 'sets':
      return say`${value ? listed((value as string[]).map((s) => entryOf(told.plan.sets, s)?.name ?? 'a set')) : 'all'}`;
    case 'tether': {
      const tether = value as Fitting['tether'] | null;
      return tether
        ? say`${mm(tether.length)}, to ${tether.to === null ? 'the hull beside it' : nameOf(told, tether.to)}`
        : say`none`;
    }
    case 'straps':
    case 'uses':
      return say`${Object.keys(value ?? {}).length || 'none'}`;
    case 'of': {
      const of = value as Fitting['of'] | null;
      return say`${of ? `version ${of.version}` : 'none'}`;
    }
    case 'revision':
      return say`${Number(value ?? 1)}`;
    case 'often':
      return say`${value ? OFTEN_WORDS[value as keyof typeof OFTEN_WORDS] : 'as usual'}`;
    case 'comesOff':
      return say`${value === null || value === undefined ? 'as usual' : value ? 'comes off' : 'stays on'}`;
    case 'rides':
      return say`${value ? RIDES_WORDS[value as keyof typeof RIDES_WORDS] : 'not said'}`;
    case 'by':
      return say`${value ? `the ${String(value)} paddler` : 'whoever reaches it best'}`;
    case 'hand':
      return say`${value ? `the ${String(value)} hand` : 'the hand that is free'}`;
    case 'aboard': {
      const was = value as Fitting['aboard'] | null;
      return was ? placeWords(was.place, told) : say`not aboard before`;
    }
    case 'becomes':
      return becomesValue(value as Fitting['becomes'] | null, told);
    case 'suppliedBy':
      return say`${String(value)}`;
    case 'note':
      return say`${String(value) || 'nothing written'}`;
    default:
      // A group or a plate has a name that means nothing to anybody; a lock or a float is there or not.
      return say`${yes(value)}`;
  }
}

function becomesValue(becomes: Fitting['becomes'] | null | undefined, told: Told): Sentence {
  const by = becomes?.for ? ` by ${nameOf(told, becomes.for)}` : '';
  return say`${becomes ? `${BECOMES_WORDS[becomes.is]}${by}` : 'used'}`;
}

/** A set by its name, and who sits in it where that is another than in the brief. */
function setWords({ name, sits }: Plan['sets'][string]): Sentence {
  const said = (
    who: string,
    one: NonNullable<NonNullable<Plan['sets'][string]['sits']>['first']> | null | undefined,
  ): Sentence => {
    if (one === null) return say`, nobody on the ${who}`;
    if (!one) return [];
    const { body, at, raise, recline } = one;
    return [
      ...say`, ${who}`,
      ...(body ? say` ${mm(body.stature)}, ${kg(body.weightKg)}` : []),
      ...(at === undefined ? [] : say` at ${mm(at)}`),
      ...(raise === undefined ? [] : say` raised ${mm(raise)}`),
      ...(recline === undefined ? [] : say` leaning ${recline}°`),
    ];
  };
  return [...say`${name}`, ...said('seat', sits?.first), ...said('second seat', sits?.second)];
}

function answerValue(question: string, value: unknown): Sentence {
  if (value === null || value === undefined || value === '') return say`nothing`;
  switch (question) {
    case 'stature':
    case 'paddle':
    case 'seatAt':
    case 'raise':
    case 'feetAt':
    case 'rodLength':
      return say`${mm(value as number)}`;
    case 'weightKg':
      return say`${kg(value as number)}`;
    case 'recline':
      return say`${value as number}° off upright`;
    case 'way': {
      const { metres, ground, by, minutes } = value as Plan['brief']['way'];
      return say`${onLand(metres)} over ${GROUND_WORDS[ground]}, ${BY_WORDS[by]}${minutes === null ? '' : `, ${minutes} minutes to rig up`}`;
    }
    case 'distanceKm':
      return say`${km(value as number)}`;
    case 'budgetCents':
      return say`${printMoney(value as number)}`;
    case 'second': {
      const { stature, weightKg } = value as NonNullable<Plan['brief']['second']>;
      return say`${mm(stature)}, ${kg(weightKg)}`;
    }
    default:
      return say`${typeof value === 'boolean' ? yes(value) : Array.isArray(value) ? listed(value) : String(value)}`;
  }
}

/**
 * What stands in a field of the plan, for a person to compare: figures stay numbers until somebody reads them.
 * @param path the field, as `applyChange` and a clash name it
 * @param value what it holds; null or undefined where it is absent
 */
export function valueWords(path: string, value: unknown, told: Told): Sentence {
  const [first = '', second = '', third = ''] = path.split('/');
  if (first === 'brief') return answerValue(second, value);
  const absent = value === null || value === undefined;
  // A field left empty on a fitting that is there says something; on one that is gone nothing is left to say.
  const ofFitting = first === 'fittings' && third !== '';
  if (ofFitting && (!absent || entryOf(told.plan.fittings, second))) return fittingValue(third, value, told);
  if (first === 'features') return becomesValue(value as Fitting['becomes'] | null, told);
  if (absent)
    return say`${first === 'promised' ? 'no day' : first === 'day' ? 'the usual one' : first === 'scuppers' ? 'open' : first === 'letters' ? 'not printed yet' : 'deleted'}`;
  switch (first) {
    case 'fittings':
      return placeWords((value as Fitting).place, told);
    case 'runs':
      return say`${runWords(value as Run, told)}`;
    case 'lines':
      return say`${lineWords(value as Line)}`;
    case 'wishes': {
      const { text, part, count, cents } = value as Plan['wishes'][string];
      return say`${text}${count ? `, ${count} of them` : ''}${cents ? `, ${printMoney(cents)}` : ''}${part ? ', matched to a part' : ''}`;
    }
    case 'own': {
      const { name, massKg } = value as Plan['own'][string];
      return say`${name}, ${kg(massKg)}`;
    }
    case 'sets':
      return setWords(value as Plan['sets'][string]);
    case 'stowage':
      return stowedWords(value as Stowed, told);
    case 'photos':
      return say`${(value as Plan['photos'][string]).caption || (value as Plan['photos'][string]).name}`;
    case 'accepted': {
      const { reason, by } = value as Plan['accepted'][string];
      return say`accepted by ${by}: ${reason}`;
    }
    case 'tape': {
      const { datum, run } = value as Plan['tape'];
      return say`from ${findDatum(told.workup.surface, datum).name}, ${RUN_NAMES[run]}`;
    }
    case 'day': {
      const { legs } = value as Day;
      return say`${legs.length} ${legs.length === 1 ? 'leg' : 'legs'}, ${legs.reduce((sum, l) => sum + l.minutes, 0)} min in all`;
    }
    case 'pins':
      return say`revision ${value as number}`;
    case 'letters':
      return say`${typeof value === 'string' ? value : 'printed'}`;
    default:
      return say`${String(value)}`;
  }
}
