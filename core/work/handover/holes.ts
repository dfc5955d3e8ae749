import type { PlannedHole } from '../../holding/fitted';
import { findDatum, type HullSurface } from '../../boat/hull';
import type { LedgerHole, Plan } from '../../rig';

/** A hole as its owner reads of it: where, and what became of it. */
export interface ToldHole {
  readonly label: string;
  /** What the tape read when it was measured, or reads by the plan, mm. */
  readonly reading: number;
  /** Where the tape was hooked. */
  readonly from: string;
  readonly state: 'planned' | 'drilled' | 'drilled elsewhere' | 'used again';
  /** The old hole it is, where it is used again. */
  readonly old: string;
}

/** What became of holes, as their owner reads it. */
export const HOLE_WORDS = {
  en: {
    states: {
      planned: 'planned',
      drilled: '',
      'drilled elsewhere': 'not where it was planned',
      'used again': 'an old hole used again',
    },
    older: 'Holes that were there before',
    plugged: 'closed with',
    open: 'OPEN: have it plugged before the water',
  },
  fr: {
    states: {
      planned: 'prévu',
      drilled: '',
      'drilled elsewhere': 'percé ailleurs que prévu',
      'used again': 'ancien trou réutilisé',
    },
    older: 'Trous déjà présents',
    plugged: 'fermé avec',
    open: 'OUVERT : à boucher avant la mise à l’eau',
  },
} as const;

const FRENCH: readonly (readonly [RegExp, string])[] = [
  [/^bow tip$/, 'la pointe de proue'],
  [/^stern tip$/, 'la pointe de poupe'],
  [/^a mark on the boat$/, 'un repère sur le bateau'],
  [/^port scupper/, 'le dalot bâbord'],
  [/^starboard scupper/, 'le dalot tribord'],
  [/^centre scupper/, 'le dalot central'],
  [/ from the bow$/, ' depuis la proue'],
  [/, forward edge$/, ', bord avant'],
  [/, after edge$/, ', bord arrière'],
  [/, forward end$/, ', bout avant'],
  [/, after end$/, ', bout arrière'],
];

/** The name of a hook in the owner's language; what only the hull's drawing names stays as it is. */
export const hookName = (name: string, language: 'en' | 'fr'): string =>
  language === 'fr' ? FRENCH.reduce((said, [from, to]) => said.replace(from, to), name) : name;

/** One hole of the plan, as it was measured on the boat where it is there. */
export function toldHole(hull: HullSurface, plan: Plan, hole: PlannedHole): ToldHole {
  const { drilled, label, reused } = hole;
  const datum = drilled?.measured.datum ?? plan.tape.datum;
  const state = !drilled ? 'planned' : reused ? 'used again' : drilled.elsewhere ? 'drilled elsewhere' : 'drilled';
  return {
    label,
    reading: drilled?.measured.reading ?? hole.reading,
    from: findDatum(hull, datum).name,
    state,
    old: reused ? (drilled?.label ?? '') : '',
  };
}

/** A hole that no fitting of the plan uses, bow to stern: what closes it, or nothing. */
export interface OlderHole {
  readonly label: string;
  readonly reading: number;
  readonly from: string;
  readonly plugged: string | null;
}

/** The scars of a hull: holes from before, and those of fittings that went. */
export const olderHoles = (hull: HullSurface, old: readonly LedgerHole[]): OlderHole[] =>
  [...old]
    .sort((a, b) => (a.at?.x ?? Infinity) - (b.at?.x ?? Infinity))
    .map(({ label, measured, plugged }) => ({
      label,
      reading: measured.reading,
      from: findDatum(hull, measured.datum).name,
      plugged,
    }));
