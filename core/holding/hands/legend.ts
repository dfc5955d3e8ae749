import { HAND_NAMES, type Activity, type Hand } from '../../parts/parts';
import { ACTIVITY_WORDS } from './activities';
import { handsIn, type HandsIn, type GripsInput } from './grips';

/** A control as the legend tells of it. */
export interface ToldControl {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly frenchName: string;
  readonly does: string;
  readonly french: string;
  readonly person: HandsIn['person'];
  /** The hand that has it, and what is done meanwhile. */
  readonly hands: readonly { readonly hand: Hand; readonly while: readonly Activity[] }[];
}

/** Who has what in which hand, and what each control is for. */
export interface Hands {
  readonly activities: readonly HandsIn[];
  readonly legend: readonly ToldControl[];
}

/** The legend of controls: each once, bow to stern, with its hand in every activity that asks for it. */
export function handsOf(ways: GripsInput): Hands {
  const activities = handsIn(ways);
  const grips = activities.flatMap(({ activity, person, grips: all }) => all.map((grip) => ({ ...grip, activity, person })));
  const legend = ways.items.flatMap(({ placed: { id, part }, letter }): ToldControl[] => {
    const mine = grips.filter((g) => g.control.item.placed.id === id);
    const [first] = mine;
    if (!part.control || !first) return [];
    const hands = HAND_NAMES.flatMap((hand) => {
      const done = mine.filter((g) => g.hand === hand).map((g) => g.activity);
      return done.length ? [{ hand, while: done }] : [];
    });
    const { does, french } = part.control;
    return [{ fitting: id, letter, name: part.name, frenchName: part.french, does, french, person: first.person, hands }];
  });
  return { activities, legend };
}

const FRENCH_ACTIVITIES: Readonly<Record<Activity, string>> = {
  paddling: 'à la pagaie',
  pedalling: 'aux pédales',
  motoring: 'au moteur',
  trolling: 'à la traîne',
  casting: 'au lancer',
  landing: 'en ramenant un poisson',
  filming: 'en filmant',
};

/** The hands of a control as its owner reads them: “left hand (casting, trolling)”. */
export function toldHands({ hands }: Pick<ToldControl, 'hands'>, language: 'en' | 'fr'): string {
  const said = (activity: Activity): string => (language === 'en' ? ACTIVITY_WORDS : FRENCH_ACTIVITIES)[activity];
  const named = (hand: Hand): string => (language === 'en' ? `${hand} hand` : `main ${hand === 'left' ? 'gauche' : 'droite'}`);
  return hands.map(({ hand, while: done }) => `${named(hand)} (${done.map(said).join(', ')})`).join(' · ');
}
