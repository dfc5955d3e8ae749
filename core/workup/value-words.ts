import { gaugeWords } from '../electric/circuits';
import { containersOf, isIn } from '../holding/inside';
import { findDatum, reading, RUN_NAMES } from '../boat/hull';
import { frameOf } from '../layout';
import { cordWords } from '../lines';
import { HOLD_WORDS } from '../holding/mounting';
import {
  BECOMES_WORDS,
  BY_WORDS,
  entryOf,
  type Fitting,
  type Line,
  GROUND_WORDS,
  type Mount,
  type Place,
  type Plan,
  type Run,
  type Stowed,
  type Teller,
  verbSetting,
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

const listed = (value: readonly unknown[]): string => (value.length ? value.join(', ') : 'none');

/** What only the workup can tell. */
const TELLERS: Readonly<Record<Teller, (value: never, told: Told) => Sentence>> = {
  place: placeWords,
  fitting: ({ place }: Fitting, told) => placeWords(place, told),
  aboard: ({ place }: NonNullable<Fitting['aboard']>, told) => placeWords(place, told),
  mount: (mount: Mount) => say`${mountWords(mount)}`,
  sets: (sets: readonly string[], { plan }) => say`${listed(sets.map((s) => entryOf(plan.sets, s)?.name ?? 'a set'))}`,
  tether: ({ length, to }: NonNullable<Fitting['tether']>, told) =>
    say`${mm(length)}, to ${to === null ? 'the hull beside it' : nameOf(told, to)}`,
  becomes: (becomes: NonNullable<Fitting['becomes']>, told) =>
    say`${BECOMES_WORDS[becomes.is]}${becomes.for ? ` by ${nameOf(told, becomes.for)}` : ''}`,
  run: (run: Run, told) => say`${runWords(run, told)}`,
  line: (line: Line) => say`${lineWords(line)}`,
  stowed: stowedWords,
  tape: ({ datum, run }: Plan['tape'], { workup }) => say`from ${findDatum(workup.surface, datum).name}, ${RUN_NAMES[run]}`,
};

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
      return say`${value === true ? 'yes' : value === false ? 'no' : Array.isArray(value) ? listed(value) : String(value)}`;
  }
}

/**
 * What stands in a field of the plan, for a person to compare: figures stay numbers until somebody reads them.
 * @param path the field, as `applyChange` and a clash name it
 * @param value what it holds; null or undefined where it is absent
 */
export function valueWords(path: string, value: unknown, told: Told): Sentence {
  const keys = path.split('/');
  const [first = '', second = '', third = ''] = keys;
  if (first === 'brief') return answerValue(second, value);
  const words = verbSetting(keys)?.words;
  if (!words) return say`${String(value)}`;
  if (value === null || value === undefined) {
    // A field left empty on a fitting that is there says something; on one that is gone nothing is left to say.
    const gone = first === 'fittings' && third !== '' && !entryOf(told.plan.fittings, second);
    return say`${gone ? 'deleted' : (words.absent ?? 'deleted')}`;
  }
  const { tells } = words;
  return typeof tells === 'function' ? tells(value as never) : TELLERS[tells](value as never, told);
}
