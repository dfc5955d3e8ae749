import type { Part } from '@plain-cleat/core/parts/parts';
import { type ShopSettings, USUAL_SHOP } from '@plain-cleat/core/parts/shop';
import { drillGate } from '@plain-cleat/core/holding/drilling';
import { type HullModel, fairHull } from '@plain-cleat/core/boat/hull';
import { openPlan, pinsTo, type Plan, type Fact, foldLedger } from '@plain-cleat/core/rig';

/** A small hull, part and shop for specs of the screens. */
export const TEST_HULL: HullModel = {
  id: 'test-hull',
  revision: 1,
  maker: 'Maker',
  name: 'Hull',
  kind: 'sit-on-top',
  material: 'polyethylene',
  massKg: 30,
  capacityKg: 200,
  wall: 5,
  seat: { x: 1600, low: 240, high: 340 },
  stations: [
    [0, 0],
    [800, 340],
    [1600, 420],
    [2400, 340],
    [3000, 0],
  ].map(([x = 0, halfBreadth = 0]) => ({ x, halfBreadth, gunwale: 300, keel: 0, fullness: 5, flare: 0.2 })),
  decks: [],
  hatches: [],
  inserts: [],
  scuppers: [],
  hazards: [],
  tracks: [
    {
      id: 't',
      name: 'track',
      side: 'starboard',
      fore: 1800,
      aft: 2200,
      y: 330,
      height: 300,
      slot: { opening: 8, depth: 11, thread: 'M6' },
    },
  ],
};
const text = { use: 'Use it.', road: 'Stays on.', care: 'Look at it.' };
export const TEST_PART: Part = {
  id: 'box',
  name: 'Box',
  french: 'Boîte',
  kind: 'crate',
  body: {
    massKg: 2,
    base: { length: 200, width: 200, thickness: 5 },
    solids: [{ name: 'box', u: [-100, 100], v: [-100, 100], w: [0, 100] }],
    carries: true,
  },
  holes: { at: [], thread: 'M6' },
  holding: { ways: ['loose', 'track'], trackBolts: 2, lever: false, usual: { newtons: 20, height: 0.5 } },
  use: { often: 'stopped', byHand: true, comesOff: true },
  goesWith: { answersTo: ['crate'] },
  sold: { priceCents: 1000, priced: '2026-06-01', supplier: 'S', leadDays: 0 },
  walk: { en: text, fr: text },
};
export const TEST_LAMP: Part = {
  ...TEST_PART,
  id: 'lamp',
  name: 'Lamp',
  french: 'Lampe',
  kind: 'light',
  body: { ...TEST_PART.body, solids: [{ name: 'lamp', u: [-20, 20], v: [-20, 20], w: [0, 40] }], carries: false },
  holes: {
    at: [
      { u: -15, v: 0 },
      { u: 15, v: 0 },
    ],
    thread: 'M6',
    rivet: '64',
  },
  holding: { ...TEST_PART.holding, ways: ['through', 'rivet'], usual: { newtons: 10, height: 0.8 } },
  use: { ...TEST_PART.use, byHand: false },
  power: { draw: { amps: 0.5, volts: 12, of: 'lights' } },
};
const TEST_BATTERY: Part = {
  ...TEST_PART,
  id: 'battery',
  name: 'Battery',
  french: 'Batterie',
  kind: 'battery',
  body: { ...TEST_PART.body, carries: false },
  holding: { ...TEST_PART.holding, ways: ['loose'] },
  use: { ...TEST_PART.use, byHand: false },
  power: { battery: { ampHours: 18, volts: 12, chemistry: 'lithium' } },
};
/** A screen and what it shows the readings of. */
const TEST_SCREEN: Part = {
  ...TEST_LAMP,
  ...{ id: 'screen', name: 'Screen', french: 'Écran', kind: 'sounder' },
  screen: { w: 40, tilt: 20 },
  power: { draw: { amps: 0.5, volts: 12, of: 'electronics' } },
  signal: { jacks: [{ family: 'sonar', ways: 1 }], grounded: true },
};
const TEST_SENSOR: Part = {
  ...TEST_LAMP,
  ...{ id: 'sensor', name: 'Transducer', french: 'Sonde', kind: 'sounder', power: undefined },
  signal: { jacks: [{ family: 'sonar', ways: 1 }], cable: 6000, senses: true },
};
export const TEST_PARTS: Part[] = [TEST_PART, TEST_LAMP, TEST_BATTERY, TEST_SCREEN, TEST_SENSOR];
export const on = (part: string, x: number, y: number, hold: 'loose' | 'rivet'): Plan['fittings'][string] => ({
  part,
  place: { on: 'deck', x, y, heading: 0 },
  lift: 0,
  mount: { hold, plate: false, reason: '' },
  suppliedBy: 'shop',
  note: '',
});
/** Battery, lamp and box, bow to stern, the lamp fed and riveted. */
export const laidPlan = (): Plan => ({
  ...testPlan(),
  fittings: { battery: on('battery', 700, 0, 'loose'), lamp: on('lamp', 1100, 0, 'rivet'), box: on('box', 2200, 0, 'loose') },
  runs: { feed: { from: 'battery', to: 'lamp', lane: 'inside port', via: [], awg: null } },
});
export const TEST_SHOP: ShopSettings = { ...USUAL_SHOP, name: 'Shop' };
export const testPlan = (): Plan =>
  openPlan({
    id: 'plan-1',
    title: 'test rig',
    opened: '2026-06-01',
    promised: null,
    pins: pinsTo(TEST_HULL, 1, 1),
  });

/** Facts of a boat whose known distances were measured: as drawn, or off by so much. */
export function measuredBoat(off = 0): Fact[] {
  const hull = fairHull(TEST_HULL);
  const { distances } = drillGate(hull, foldLedger(hull, [], 'plan-1'), TEST_SHOP, 1);
  const time = '2026-05-30T10:00:00Z';
  return distances.map(({ from, to, expected }, i) => ({
    id: `00000000-0000-4000-8000-0000000001${i}0`,
    kind: 'readingTaken',
    rig: 'plan-1',
    deviceTime: time,
    serverTime: time,
    by: 'Mara',
    from,
    to,
    run: 'taut',
    reading: expected + off,
  }));
}
