import { randomUUID } from 'node:crypto';
import { TOLVANE } from '@plain-cleat/demo';
import { foundFitting, type Change, type Plan } from '@plain-cleat/core/rig';
import { deck, emptyPlan, fitted, partOf, track } from './plans';

const id = (): string => randomUUID();
export const crate = fitted('crate-open', deck(2700, 0), 'loose');
export const battery = fitted('battery-18', deck(600, 0), 'loose');
export const sounder = fitted('sounder-arm-7', track('fwd-port', 1200), 'track');
export const line = {
  ...{ use: 'bungee' as const, of: 'shock cord' as const, diameter: 6, way: 'over the deck' as const },
  through: [
    { at: 'tie' as const, tie: 'e.eye' },
    { at: 'tie' as const, tie: 'hull.well-p' },
  ],
};
export const run = { from: 'b', to: 's', lane: 'inside port' as const, via: [], awg: null };
/** A crate, a battery and a sounder fed by it, and a set. */
export const laid = (): Plan => ({
  ...emptyPlan(),
  sets: { away: { name: 'away', order: 1 } },
  fittings: { g: crate, b: battery, s: sounder, e: foundFitting(partOf('pad-eye'), deck(3300, -60)) },
  runs: { r: run },
});

/** One change of every kind that fits the laid-out plan. */
export const CHANGES: readonly Change[] = [
  { id: id(), kind: 'placeItem', item: 'new', to: crate },
  { id: id(), kind: 'takeOffItem', item: 'g', from: crate },
  { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2600, 20) },
  { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 100 },
  { id: id(), kind: 'chooseMount', item: 's', from: sounder.mount, to: { hold: 'through', plate: true, reason: 'stiffer' } },
  { id: id(), kind: 'supplyItem', item: 'g', from: 'shop', to: 'gift' },
  { id: id(), kind: 'noteItem', item: 'g', from: '', to: 'hers' },
  { id: id(), kind: 'routeRun', run: 'r', from: run, to: null },
  { id: id(), kind: 'routeRun', run: 'r2', from: null, to: run },
  { id: id(), kind: 'leadLine', line: 'l', from: null, to: line },
  { id: id(), kind: 'writeWish', wish: 'w', from: null, to: { text: 'a net', part: null } },
  { id: id(), kind: 'answerBrief', from: { holes: 'few', hand: 'right' }, to: { holes: 'none', hand: 'left' } },
  { id: id(), kind: 'acceptFinding', finding: 'overlap:g:b', from: null, to: { reason: 'it is soft', by: 'Tom' } },
  { id: id(), kind: 'hookTape', from: { datum: 'bow', run: 'taut' }, to: { datum: 'stern', run: 'centre' } },
  {
    id: id(),
    kind: 'planDay',
    from: null,
    to: {
      ...{ starts: 420, legs: [{ does: 'paddle', minutes: 60, kmh: 4 }], dark: { from: 1260, to: 360 } },
      ...{ duty: {}, readings: [] },
    },
  },
  { id: id(), kind: 'nameRig', from: 'spec rig', to: 'another' },
  { id: id(), kind: 'slideInSet', item: 'g', set: 'away', from: null, to: deck(2500, 0) },
  { id: id(), kind: 'joinSets', item: 'g', from: null, to: ['away'] },
  { id: id(), kind: 'leanItem', item: 's', from: null, to: 10 },
  { id: id(), kind: 'groupItem', item: 'g', from: null, to: 'pair' },
  { id: id(), kind: 'lockItem', item: 'g', from: null, to: true },
  { id: id(), kind: 'swapItem', item: 'g', from: null, to: 'stern-plate' },
  { id: id(), kind: 'tetherItem', item: 'g', from: null, to: { to: 'b', length: 600 } },
  { id: id(), kind: 'floatItem', item: 'g', from: null, to: true },
  { id: id(), kind: 'useItem', item: 'g', from: null, to: 'stopped' },
  { id: id(), kind: 'roadItem', item: 'g', from: null, to: false },
  { id: id(), kind: 'rideItem', item: 'g', from: null, to: 'car' },
  { id: id(), kind: 'userItem', item: 'g', from: null, to: 'first' },
  { id: id(), kind: 'handItem', item: 'g', from: null, to: 'left' },
  {
    id: id(),
    kind: 'measureFound',
    item: 'e',
    from: { from: 'found', place: deck(3300, -60), hold: 'rivet' },
    to: { from: 'found', place: deck(3310, -60), hold: 'rivet' },
  },
  { id: id(), kind: 'strapItem', item: 'g', from: null, to: [{ from: 'hull.well-p', to: 'e.eye' }] },
  { id: id(), kind: 'keepItem', item: 'e', from: null, to: { is: 'removed' } },
  {
    id: id(),
    kind: 'makePart',
    part: 'rack',
    from: null,
    to: {
      ...{
        name: 'Rack',
        kind: 'rod rack',
        shape: { is: 'box', length: 300, width: 100 },
        height: 200,
        massKg: 1,
        ways: ['loose'],
      },
      ...{
        bolts: null,
        offers: [],
        ports: 0,
        carries: false,
        sinks: true,
        cents: 2500,
        made: { minutes: 0, of: [] },
        photo: null,
      },
    },
  },
  { id: id(), kind: 'keepFeature', feature: 'feet', from: null, to: { is: 'replaced', for: 'g' } },
  { id: id(), kind: 'travelItem', item: 'g', from: null, to: true },
  { id: id(), kind: 'cutTrack', item: 'g', from: null, to: 400 },
  { id: id(), kind: 'reuseHoles', item: 'g', from: null, to: { 1: '00000000-0000-4000-8000-000000000001' } },
  { id: id(), kind: 'renewItem', item: 'g', from: null, to: { assembly: 'crate-kit', version: 1 } },
  { id: id(), kind: 'nameSet', set: 'away', from: { name: 'away', order: 1 }, to: { name: 'all day', order: 1 } },
  {
    id: id(),
    kind: 'stowThing',
    thing: 'knife',
    from: null,
    to: { in: 'bow', what: 'knife', kg: 0.1, litres: 0.2, wantsDry: false, use: 'always', later: false },
  },
  {
    id: id(),
    kind: 'keepPhoto',
    photo: 'p1',
    from: null,
    to: { name: 'deck.jpg', width: 800, height: 600, x: 900, caption: '' },
  },
  { id: id(), kind: 'planScupper', scupper: 'scup-1', from: null, to: 'plugged' },
  { id: id(), kind: 'promiseRig', from: '2026-06-12', to: null },
  { id: id(), kind: 'adoptRevision', pin: 'hull', from: TOLVANE.revision, to: TOLVANE.revision + 1 },
  { id: id(), kind: 'adoptRevision', pin: 'materials', from: 1, to: 2 },
  { id: id(), kind: 'adoptRevision', pin: 'charges', from: 1, to: 2 },
  { id: id(), kind: 'adoptPart', item: 'g', from: null, to: 2 },
  { id: id(), kind: 'freezeLetters', from: null, to: { g: 'C' } },
  {
    id: id(),
    kind: 'together',
    changes: [
      { id: id(), kind: 'freezeLetters', from: null, to: { g: 'C' } },
      { id: id(), kind: 'letterItem', item: 's', from: null, to: 'C2' },
    ],
  },
  {
    id: id(),
    kind: 'together',
    changes: [
      { id: id(), kind: 'routeRun', run: 'r', from: run, to: null },
      { id: id(), kind: 'takeOffItem', item: 's', from: sounder },
    ],
  },
];
