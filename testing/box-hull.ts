import type { HullModel, Space } from '@plain-cleat/core/boat/hull';
import { TOLVANE } from '@plain-cleat/demo';

/** A hold the whole breadth of the box, under its hatch. */
export const BOX_HOLD: Space = {
  id: 'hold',
  name: 'hold',
  fore: 1000,
  aft: 2000,
  port: -500,
  starboard: 500,
  hatches: ['lid'],
  dry: true,
};

/** A box of 3 m × 800 × 300 mm with walls of 10: what is inside it is said in closed form. A hatch of 300 × 200 over a hold. */
export const BOX_HULL: HullModel = {
  ...TOLVANE,
  wall: 10,
  sections: 'box',
  fairing: undefined,
  stations: [0, 1000, 2000, 3000].map((x) => ({ x, halfBreadth: 400, gunwale: 300, keel: 0, fullness: 20, flare: 0 })),
  decks: [],
  walls: [],
  hazards: [],
  hatches: [{ id: 'lid', name: 'lid', fore: 1400, aft: 1700, port: -100, starboard: 100, height: 300, opens: 200 }],
  spaces: [BOX_HOLD],
  ties: [],
};
