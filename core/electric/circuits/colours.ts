import type { Part } from '../../parts/parts';

/** Colours of the conductors of direct current, by what they feed: ABYC E-11 (from memory). */
export const COLOUR_WORDS = {
  red: { en: 'red', fr: 'rouge' },
  black: { en: 'black', fr: 'noir' },
  'dark grey': { en: 'dark grey', fr: 'gris foncé' },
  'dark blue': { en: 'dark blue', fr: 'bleu foncé' },
  orange: { en: 'orange', fr: 'orange' },
  brown: { en: 'brown', fr: 'brun' },
} as const satisfies Readonly<Record<string, Readonly<Record<'en' | 'fr', string>>>>;
export type WireColour = keyof typeof COLOUR_WORDS;

/** How they are drawn, on screen and paper. */
export const DRAWN: Readonly<Record<WireColour, string>> = {
  red: '#b3261e',
  black: '#1d2429',
  'dark grey': '#5f6a70',
  'dark blue': '#1f3f8f',
  orange: '#d9730d',
  brown: '#6b3e1e',
};

/** What comes back is black everywhere. */
export const RETURN_COLOUR: WireColour = 'black';

/** The colour of what goes out to a load: a motor's feed red, pumps brown, navigation lights dark grey, lights aboard dark blue, the rest orange. */
export function feedColour({ power, light }: Pick<Part, 'power' | 'light'>): WireColour {
  const of = power?.draw?.of;
  if (of === 'motor') return 'red';
  if (power?.draw?.pumps) return 'brown';
  if (of !== 'lights') return 'orange';
  return light && light.shows !== 'dim' ? 'dark grey' : 'dark blue';
}
