import type { Hold, Part } from '../parts';

/** What is looked at again on a mount, by how it is held; nothing where nothing holds it. */
const HOLD_CARE: Readonly<Record<Hold, { readonly en: string; readonly fr: string }>> = {
  loose: { en: '', fr: '' },
  strap: { en: 'Draw its straps tight before each outing.', fr: 'Retendre ses sangles avant chaque sortie.' },
  clamp: { en: 'Tighten its clamps after the first outing.', fr: 'Resserrer ses brides après la première sortie.' },
  track: { en: 'Tighten the T-bolts after the first outing.', fr: 'Resserrer les boulons de rail après la première sortie.' },
  insert: { en: 'Look at its bolts each season.', fr: 'Contrôler ses boulons chaque saison.' },
  scupper: { en: 'See that it sits tight in its scupper.', fr: 'Vérifier qu’il tient bien dans son dalot.' },
  glue: { en: 'Look at the glued edges each season.', fr: 'Contrôler les bords collés chaque saison.' },
  screw: { en: 'Look at its screws and sealant each season.', fr: 'Contrôler ses vis et le mastic chaque saison.' },
  rivet: {
    en: 'Look for rivets that work loose, and at the sealant, each season.',
    fr: 'Vérifier chaque saison que les rivets tiennent, et le mastic.',
  },
  'well nut': { en: 'Look at its rubber well nuts each season.', fr: 'Contrôler ses écrous caoutchouc chaque saison.' },
  through: { en: 'Look at its bolts and sealant each season.', fr: 'Contrôler ses boulons et le mastic chaque saison.' },
  'pulled plate': {
    en: 'Look at its bolts and sealant each season.',
    fr: 'Contrôler ses boulons et le mastic chaque saison.',
  },
};

/** What its owner is told of a part held that way: of the part itself, and of how this one is held. */
export function toldOf(part: Part, hold: Hold): Part['walk'] {
  const { en, fr } = part.walk;
  const held = HOLD_CARE[hold];
  return {
    en: { ...en, care: `${en.care} ${held.en}`.trim() },
    fr: { ...fr, care: `${fr.care} ${held.fr}`.trim() },
  };
}
