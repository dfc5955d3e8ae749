import type { Hold, Part } from '../../parts/parts';
import type { Fitting } from '../../rig';

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
  stud: {
    en: 'Wing nuts by hand; cap the studs while it is off. Look at the sealant each season.',
    fr: 'Écrous papillon à la main ; coiffer les goujons quand elle est démontée. Contrôler le mastic chaque saison.',
  },
  'cable tie': {
    en: 'New cable ties each season: the sun eats them.',
    fr: 'Colliers neufs chaque saison : le soleil les ronge.',
  },
  'hook and loop': {
    en: 'Rinse the sand out of its hook-and-loop; new pads when they let go.',
    fr: 'Rincer le sable des bandes agrippantes ; les remplacer quand elles lâchent.',
  },
  magnet: { en: 'Wipe magnet and steel dry; keep its tether on.', fr: 'Essuyer aimant et acier ; garder la longe.' },
  'pulled plate': {
    en: 'Look at its bolts and sealant each season.',
    fr: 'Contrôler ses boulons et le mastic chaque saison.',
  },
};

/** Where a thing rides by road. */
const RIDES: Readonly<Record<NonNullable<Fitting['rides']>, { readonly en: string; readonly fr: string }>> = {
  car: { en: 'It rides in the car.', fr: 'Elle voyage dans la voiture.' },
  boat: { en: 'It rides inside the boat.', fr: 'Elle voyage dans le bateau.' },
  bag: { en: 'It rides in its bag.', fr: 'Elle voyage dans son sac.' },
  trailer: { en: 'It rides on the trailer.', fr: 'Elle voyage sur la remorque.' },
  home: { en: 'It stays at home.', fr: 'Elle reste à la maison.' },
};
/** As the owner reads it where this rig does otherwise than the part. */
const ROAD = {
  off: { en: 'Comes off for the road.', fr: 'À démonter pour la route.' },
  on: { en: 'Stays on for the road.', fr: 'Reste en place pour la route.' },
} as const;

/** What its owner is told of a part held that way: of the part itself, and of how this one is held. */
export function toldOf(part: Part, hold: Hold, { comesOff, rides }: Pick<Fitting, 'comesOff' | 'rides'> = {}): Part['walk'] {
  const { en, fr } = part.walk;
  const held = HOLD_CARE[hold];
  const off = comesOff ?? part.use.comesOff;
  const road = (told: 'en' | 'fr'): string => {
    const own = off === part.use.comesOff ? part.walk[told].road : ROAD[off ? 'off' : 'on'][told];
    return `${own} ${off && rides ? RIDES[rides][told] : ''}`.trim();
  };
  return {
    en: { ...en, road: road('en'), care: `${en.care} ${held.en}`.trim() },
    fr: { ...fr, road: road('fr'), care: `${fr.care} ${held.fr}`.trim() },
  };
}
