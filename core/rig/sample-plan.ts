import type { Fitting } from './fitting';
import type { Line } from './line';
import type { Run } from './run';

const standing = (part: string, place: Fitting['place'], hold: Fitting['mount']['hold']): Fitting => ({
  ...{ part, place, lift: 0, mount: { hold, plate: false, reason: '' }, suppliedBy: 'shop', note: '' },
});

/** Fittings, a cable and a line that the samples of the verbs are about: a crate g, a battery b, a sounder s, an eye e. */
export const SAMPLE = {
  crate: standing('crate-open', { on: 'deck', x: 2700, y: 0, heading: 0 }, 'loose'),
  battery: standing('battery-18', { on: 'deck', x: 600, y: 0, heading: 0 }, 'loose'),
  sounder: standing('sounder-arm-7', { on: 'track', track: 'fwd-port', x: 1200, heading: 0 }, 'track'),
  run: { from: 'b', to: 's', lane: 'inside port', via: [], awg: null } as Run,
  line: {
    ...{ use: 'bungee', of: 'shock cord', diameter: 6, way: 'over the deck' },
    through: [
      { at: 'tie', tie: 'e.eye' },
      { at: 'tie', tie: 'hull.well-p' },
    ],
  } as Line,
};
