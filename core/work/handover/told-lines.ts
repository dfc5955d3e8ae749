import { cordWords, type LedLine, newBy, USES } from '../../lines';
import type { CordKind, LineUse } from '../../rig';

/** A line as its owner reads it. */
export interface ToldLine {
  readonly name: string;
  readonly cord: string;
  readonly caution: string;
  /** The year it is to be new by: what lies in the sun goes. */
  readonly newBy: number;
}

const FRENCH: Readonly<Record<LineUse, { readonly name: string; readonly caution: string }>> = {
  'anchor trolley': {
    name: 'va-et-vient d’ancre',
    caution: 'Dans le courant, amener l’anneau à l’avant ou à l’arrière avant que l’ancre croche : en travers, on chavire.',
  },
  'anchor line': {
    name: 'ligne de mouillage',
    caution: 'Mouiller dans le courant peut faire chavirer : larguer aussitôt, couteau à portée.',
  },
  'motor lift': { name: 'relevage du moteur', caution: 'Arrêter le moteur avant de le relever ; gare aux doigts.' },
  'stake-out cord': { name: 'cordon de piquet', caution: 'Larguer avant que la perche plie.' },
  'rudder line': { name: 'drosse', caution: 'Regarder chaque saison là où elle tourne : elle s’y use d’abord.' },
  'drag rope': { name: 'bout de halage', caution: 'À ranger avant la mise à l’eau.' },
  'drogue line': {
    name: 'ligne d’ancre flottante',
    caution: 'La filer par l’extrémité, jamais en travers dans les déferlantes.',
  },
  bungee: { name: 'élastique', caution: 'Ne jamais le tendre à bout : il fouette.' },
};
const FRENCH_CORDS: Readonly<Record<CordKind, string>> = {
  polyester: 'polyester',
  nylon: 'polyamide',
  polypropylene: 'polypropylène',
  'high-modulus': 'haut module',
  'shock cord': 'élastique',
};

/**
 * Every line as its owner reads it.
 * @param opened ISO date the rig was opened
 */
export const toldLines = (lines: readonly LedLine[], opened: string, language: 'en' | 'fr'): ToldLine[] =>
  lines.map((line) => {
    const {
      line: { use },
      cord,
    } = line;
    const by = newBy(line, opened);
    return language === 'fr'
      ? { ...FRENCH[use], cord: `${FRENCH_CORDS[cord.of]}, ${cord.diameter} mm`, newBy: by }
      : { name: use, cord: cordWords(cord), caution: USES[use].caution, newBy: by };
  });
