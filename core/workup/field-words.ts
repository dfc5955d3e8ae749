import { featuresOf, scupperName } from '../boat/hull';
import { entryOf, type Fitting, type Line, type Plan, type Run } from '../rig';
import { GROUP_NAMES, type SettingsGroup } from '../parts/shop';
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

export const nameOf = ({ workup }: Told, fitting: string): string => {
  const item = workup.aboard.owned.find((i) => i.placed.id === fitting);
  return item ? `${item.letter}, ${item.placed.part.name}` : 'a fitting that is not aboard';
};

const nameOfRun = (told: Told, run: Run | undefined): string =>
  run ? `the run from ${nameOf(told, run.from)} to ${nameOf(told, run.to)}` : 'a run';

/** A line by its use, and what it carries. */
const nameOfLine = (told: Told, line: Line | undefined): string =>
  line ? `the ${line.use}${line.carries === undefined ? '' : ` of ${nameOf(told, line.carries)}`}` : 'a line';

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
    case 'lines':
      return nameOfLine(told, entryOf(plan.lines, second));
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
    case 'day':
      return 'the day on the water';
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
