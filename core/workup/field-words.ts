import { featuresOf, scupperName } from '../boat/hull';
import { entryOf, verbSetting, type Line, type Namer, type Plan, type Run } from '../rig';
import type { Workup } from './workup';

/** What a plan's fields are told by: the plan they stand in, and what it was worked up to. */
export interface Told {
  readonly plan: Plan;
  readonly workup: Pick<Workup, 'aboard' | 'surface' | 'wiring'>;
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

export const nameOf = ({ workup }: Told, fitting: string): string => {
  const item = workup.aboard.owned.find((i) => i.placed.id === fitting);
  return item ? `${item.letter}, ${item.placed.part.name}` : 'a fitting that is not aboard';
};

const nameOfRun = (told: Told, run: Run | undefined): string =>
  run ? `the run from ${nameOf(told, run.from)} to ${nameOf(told, run.to)}` : 'a run';

/** A line by its use, and what it carries. */
const nameOfLine = (told: Told, line: Line | undefined): string =>
  line ? `the ${line.use}${line.carries === undefined ? '' : ` of ${nameOf(told, line.carries)}`}` : 'a line';

/** What only the workup can name. */
const NAMED: Readonly<Record<Namer, (key: string, told: Told) => string>> = {
  fitting: (key, told) => nameOf(told, key),
  run: (key, told) => nameOfRun(told, entryOf(told.plan.runs, key)),
  line: (key, told) => nameOfLine(told, entryOf(told.plan.lines, key)),
  feature: (key, { workup }) =>
    `what is done with the ${featuresOf(workup.surface.model).find((f) => f.key === key)?.name ?? 'hull'}`,
  scupper: (key, { workup }) => scupperName(workup.surface.model.scuppers, key),
};

/**
 * What a field of the plan is called, for a person: `fittings/c/note` is “the note of C, Crate”.
 * @param path the field, as `applyChange` and a clash name it
 */
export function fieldWords(path: string, told: Told): string {
  const keys = path.split('/');
  const [first = '', second = ''] = keys;
  if (first === 'brief') return ANSWERS[second as keyof Plan['brief']] ?? 'the brief';
  const called = verbSetting(keys)?.words.called ?? 'the plan';
  if (typeof called === 'function') {
    const list = told.plan[first as keyof Plan] as Readonly<Record<string, never>>;
    return called(entryOf(list, second), keys);
  }
  if (typeof called === 'object') return NAMED[called.by](second, told);
  return first === 'fittings' ? `${called} ${nameOf(told, second)}` : called;
}
