import { containersOf, isIn } from '../inside';
import { featuresOf, findDatum, reading, RUN_NAMES, scupperName } from '../hull';
import { frameOf } from '../layout';
import { OFTEN_WORDS } from '../parts';
import { HOLD_WORDS } from '../mounting';
import {
  applyChange,
  BECOMES_WORDS,
  Clash,
  type Change,
  editsOf,
  entryOf,
  type Fitting,
  type Mount,
  type Place,
  BY_WORDS,
  GROUND_WORDS,
  type Plan,
  Refused,
  RIDES_WORDS,
  type Run,
  sameJson,
  type SimpleChange,
  singleChanges,
  type Stowed,
} from '../rig';
import { GROUP_NAMES, type SettingsGroup } from '../shop';
import { kg, mm, printMoney, say, type Sentence, sideOf } from '../units';
import type { Workup } from '../workup';

/** What a plan's fields are told by: the plan they stand in, and what it was worked up to. */
export interface Told {
  readonly plan: Plan;
  readonly workup: Pick<Workup, 'surface' | 'aboard'>;
}

/** What each answer of the brief is called in a sentence. */
const ANSWERS: Readonly<Record<keyof Plan['brief'], string>> = {
  waters: 'the waters',
  work: 'what the boat is for',
  stature: 'the paddler’s height',
  weightKg: 'the paddler’s weight',
  hand: 'the hand they use',
  seat: 'the seat',
  seatAt: 'where the seat stands',
  raise: 'how high the seat is raised',
  recline: 'how far the seat leans',
  way: 'the way to the water',
  feetAt: 'where the pegs stand',
  propulsion: 'what moves the boat',
  holes: 'how many holes they want',
  wires: 'where the wires go',
  road: 'how it goes by road',
  budgetCents: 'the budget',
  tier: 'the tier',
  notes: 'the notes',
  stands: 'whether they stand',
  castHand: 'the casting hand',
  reelHand: 'the reeling hand',
  cast: 'how they cast',
  rodSide: 'where the rods stand',
  stroke: 'the stroke',
  paddle: 'the paddle’s length',
  second: 'the second paddler',
  boats: 'whether the gear moves between boats',
  borrowed: 'whether the boat is borrowed',
  lifts: 'who lifts the boat',
  distanceKm: 'the distance per day',
  carries: 'what they carry',
  rods: 'how many rods',
  rodLength: 'the length of a rod',
  leash: 'the paddle’s leash',
  backUp: 'what else brings them home',
  rules: 'the event rules',
  later: 'what is planned for later',
  ownGear: 'the owner’s own gear',
  forgotten: 'whether the owner is forgotten',
};

/** What a field of a fitting is called before its name. */
const OF_A_FITTING: Readonly<Record<keyof Fitting, string>> = {
  part: 'the part of',
  revision: 'the revision of',
  place: 'the place of',
  lift: 'the riser under',
  mount: 'the mount of',
  suppliedBy: 'who supplies',
  note: 'the note of',
  lean: 'the lean of',
  sets: 'the sets of',
  elsewhere: 'the place in one set of',
  group: 'the group of',
  locked: 'the lock of',
  swap: 'the plate shared by',
  tether: 'the tether of',
  float: 'the float on',
  straps: 'the straps over',
  travels: 'whether the owner moves',
  aboard: 'where the boat came with',
  becomes: 'what is done with',
  often: 'how often one uses',
  comesOff: 'what the road asks of',
  rides: 'where by road goes',
  by: 'who uses',
  hand: 'the hand that uses',
  length: 'the cut length of',
  uses: 'the old holes used by',
  of: 'the assembly of',
};

const nameOf = ({ workup }: Told, fitting: string): string => {
  const item = workup.aboard.owned.find((i) => i.placed.id === fitting);
  return item ? `${item.letter}, ${item.placed.part.name}` : 'a fitting that is not aboard';
};

const nameOfRun = (told: Told, run: Run | undefined): string =>
  run ? `the run from ${nameOf(told, run.from)} to ${nameOf(told, run.to)}` : 'a run';

/**
 * What a field of the plan is called, for a person: `fittings/c/note` is “the note of C, Crate”.
 * @param path the field, as `applyChange` and a clash name it
 */
export function fieldWords(path: string, told: Told): string {
  const [first = '', second = '', third = ''] = path.split('/');
  const { plan } = told;
  switch (first) {
    case 'fittings':
      return third ? `${OF_A_FITTING[third as keyof Fitting] ?? 'something of'} ${nameOf(told, second)}` : nameOf(told, second);
    case 'brief':
      return ANSWERS[second as keyof Plan['brief']] ?? 'the brief';
    case 'runs':
      return nameOfRun(told, entryOf(plan.runs, second));
    case 'wishes':
      return `the wish “${entryOf(plan.wishes, second)?.text ?? ''}”`;
    case 'sets':
      return `the set “${entryOf(plan.sets, second)?.name ?? ''}”`;
    case 'stowage':
      return entryOf(plan.stowage, second)?.what ?? 'a thing stowed';
    case 'photos':
      return 'a photo';
    case 'own':
      return `the part of our own “${entryOf(plan.own, second)?.name ?? ''}”`;
    case 'features':
      return `what is done with the ${featuresOf(told.workup.surface.model).find((f) => f.key === second)?.name ?? 'hull'}`;
    case 'scuppers':
      return scupperName(told.workup.surface.model.scuppers, second);
    case 'accepted':
      return 'an accepted finding';
    case 'tape':
      return 'the tape';
    case 'title':
      return 'the name of the rig';
    case 'promised':
      return 'the promised day';
    case 'letters':
      return 'the letters';
    case 'pins':
      return second === 'shop'
        ? `the revision of the shop’s ${GROUP_NAMES[third as SettingsGroup] ?? 'settings'}`
        : `the revision of the ${second}`;
    default:
      return 'the plan';
  }
}

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
  `from ${nameOf(told, run.from)} to ${nameOf(told, run.to)}, ${run.lane}${run.via.length ? `, by ${run.via.length} points` : ''}${run.awg === null ? '' : `, ${run.awg} AWG`}`;

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
      return say`${mm(metres * 1000)} over ${GROUND_WORDS[ground]}, ${BY_WORDS[by]}${minutes === null ? '' : `, ${minutes} minutes to rig up`}`;
    }
    case 'distanceKm':
      return say`${value as number} km`;
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
    return say`${first === 'promised' ? 'no day' : first === 'scuppers' ? 'open' : first === 'letters' ? 'not printed yet' : 'deleted'}`;
  switch (first) {
    case 'fittings':
      return placeWords((value as Fitting).place, told);
    case 'runs':
      return say`${runWords(value as Run, told)}`;
    case 'wishes': {
      const { text, part, count, cents } = value as Plan['wishes'][string];
      return say`${text}${count ? `, ${count} of them` : ''}${cents ? `, ${printMoney(cents)}` : ''}${part ? ', matched to a part' : ''}`;
    }
    case 'own': {
      const { name, massKg } = value as Plan['own'][string];
      return say`${name}, ${kg(massKg)}`;
    }
    case 'sets':
      return say`${(value as Plan['sets'][string]).name}`;
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
    case 'pins':
      return say`revision ${value as number}`;
    case 'letters':
      return say`${typeof value === 'string' ? value : 'printed'}`;
    default:
      return say`${String(value)}`;
  }
}

/** What is deleted by a change, for a person: “B, Rod tube”, “3 fittings”; null when nothing is. */
export function deletedBy(change: Change, told: Told): string | null {
  const gone = singleChanges(change).filter(
    (c) => c.kind === 'takeOffItem' || ('to' in c && c.to === null && DELETING.has(c.kind)),
  );
  const fittings = gone.filter((c) => c.kind === 'takeOffItem');
  if (fittings.length > 1) return `${fittings.length} fittings`;
  const [one] = fittings.length ? fittings : gone;
  const [edit] = one ? editsOf(one) : [];
  return edit ? fieldWords(edit.path.join('/'), told) : null;
}
const DELETING: ReadonlySet<SimpleChange['kind']> = new Set([
  'nameSet',
  'makePart',
  'stowThing',
  'keepPhoto',
  'routeRun',
  'writeWish',
]);

/**
 * A change made anew over what others did meanwhile: it expects what the plan holds now.
 * @returns null when it cannot be: what it is about is gone, or it would leave the plan broken
 */
export function overTheirs(plan: Plan, change: Change, newId: () => string): Change | null {
  const changes: SimpleChange[] = [];
  let at = plan;
  try {
    for (const asked of singleChanges(change)) {
      const anew = expecting(at, asked);
      if (!anew) continue;
      at = applyChange(at, anew).plan;
      changes.push({ ...anew, id: newId() });
    }
  } catch (error) {
    if (error instanceof Clash || error instanceof Refused) return null;
    throw error;
  }
  const [only, ...more] = changes;
  return !only ? null : more.length ? { id: newId(), kind: 'together', changes } : only;
}

/** The same single change, expecting what the plan holds now; null when the plan holds what it wants already. */
function expecting(plan: Plan, change: SimpleChange): SimpleChange | null {
  if (change.kind === 'answerBrief') {
    const from = Object.fromEntries(Object.keys(change.to).map((q) => [q, plan.brief[q as keyof Plan['brief']]]));
    return sameJson(from, change.to) ? null : { ...change, from };
  }
  const [edit] = editsOf(change);
  const now = edit?.path.reduce<unknown>((at, key) => entryOf((at ?? {}) as Record<string, unknown>, key), plan) ?? null;
  if (sameJson(now, edit?.to ?? null)) return null;
  return change.kind === 'placeItem' ? change : ({ ...change, from: now } as SimpleChange);
}
