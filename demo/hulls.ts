import type { HullModel } from '@plain-cleat/core';

type Row = [x: number, halfBreadth: number, gunwale: number, keel: number, fullness: number, flare: number];
const stations = (rows: Row[]): HullModel['stations'] =>
  rows.map(([x, halfBreadth, gunwale, keel, fullness, flare]) => ({ x, halfBreadth, gunwale, keel, fullness, flare }));
const area = (fore: number, aft: number, half: number) => ({ fore, aft, port: -half, starboard: half });
const slot = { opening: 8.2, depth: 11, thread: 'M6' };

export const TOLVANE: HullModel = {
  id: 'tolvane-118', revision: 1, maker: 'Vanterby', name: 'Tolvane 118', kind: 'sit-on-top', material: 'polyethylene',
  massKg: 31, capacityKg: 205, wall: 5, seat: { x: 2050, low: 240, high: 355 },
  stations: stations([
    [0, 0, 400, 150, 3, 0.3], [150, 118, 385, 62, 3, 0.3], [400, 232, 352, 14, 4, 0.28], [800, 348, 322, 0, 5, 0.25],
    [1300, 424, 302, 0, 6, 0.22], [1800, 440, 296, 0, 6, 0.22], [2300, 428, 298, 0, 6, 0.22], [2800, 366, 308, 4, 5, 0.25],
    [3200, 262, 328, 24, 4, 0.28], [3450, 142, 345, 78, 3, 0.3], [3600, 0, 358, 160, 3, 0.3],
  ]),
  decks: [
    { id: 'foredeck', name: 'foredeck', kind: 'foredeck', ...area(250, 1080, 170), height: 352, rise: -40, wall: 5 },
    { id: 'cockpit', name: 'cockpit floor', kind: 'cockpit', ...area(1090, 2330, 305), height: 150, rise: 0, wall: 6 },
    { id: 'seat', name: 'seat base', kind: 'seat', ...area(1880, 2300, 215), height: 190, rise: 0, wall: 6 },
    { id: 'tank-well', name: 'tank well', kind: 'tank well', ...area(2440, 3080, 265), height: 205, rise: 8, wall: 5 },
    { id: 'stern-deck', name: 'stern deck', kind: 'stern deck', ...area(3120, 3480, 120), height: 322, rise: 18, wall: 5 },
  ],
  hatches: [
    { id: 'fore-hatch', name: 'foredeck hatch', ...area(430, 880, 150), height: 345, opens: 300 },
    { id: 'aft-hatch', name: 'tank-well hatch', ...area(2960, 3070, 70), height: 210, opens: 130 },
    { id: 'seat-hatch', name: 'hatch under the seat', ...area(2310, 2430, 75), height: 210, opens: 140 },
  ],
  tracks: [
    { id: 'fwd-port', name: 'forward track, port', side: 'port', fore: 1180, aft: 1640, y: -372, height: 304, slot },
    { id: 'fwd-star', name: 'forward track, starboard', side: 'starboard', fore: 1180, aft: 1640, y: 372, height: 304, slot },
    { id: 'aft-port', name: 'aft track, port', side: 'port', fore: 2340, aft: 2800, y: -330, height: 302, slot },
    { id: 'aft-star', name: 'aft track, starboard', side: 'starboard', fore: 2340, aft: 2800, y: 330, height: 302, slot },
  ],
  inserts: [
    { id: 'ins-fore', name: 'foredeck insert', x: 1000, y: 0, height: 316, thread: '1/4-20', depth: 16 },
    { id: 'ins-aft-p', name: 'stern insert, port', x: 3230, y: -70, height: 328, thread: '1/4-20', depth: 16 },
    { id: 'ins-aft-s', name: 'stern insert, starboard', x: 3230, y: 70, height: 328, thread: '1/4-20', depth: 16 },
  ],
  scuppers: [
    { id: 'scup-1', x: 1560, y: -190, diameter: 38 }, { id: 'scup-2', x: 1560, y: 190, diameter: 38 },
    { id: 'scup-3', x: 2560, y: -185, diameter: 38 }, { id: 'scup-4', x: 2560, y: 185, diameter: 38 },
  ],
  hazards: [
    { id: 'drive-well', name: 'drive well', kind: 'drive well', shape: 'box', from: { x: 1380, y: -95, z: 0 }, to: { x: 1760, y: 95, z: 150 } },
    { id: 'rudder-tube', name: 'rudder tube', kind: 'rudder tube', shape: 'tube', radius: 8,
      path: [{ x: 1500, y: 296, z: 236 }, { x: 2400, y: 296, z: 238 }, { x: 3000, y: 205, z: 258 }, { x: 3480, y: 40, z: 292 }] },
    { id: 'fore-foam', name: 'foam block', kind: 'foam', shape: 'box', from: { x: 905, y: -120, z: 20 }, to: { x: 1085, y: 120, z: 250 } },
    { id: 'tube-3', name: 'scupper tube, port', kind: 'drain tube', shape: 'tube', radius: 24, path: [{ x: 2560, y: -185, z: 0 }, { x: 2560, y: -185, z: 205 }] },
    { id: 'tube-4', name: 'scupper tube, starboard', kind: 'drain tube', shape: 'tube', radius: 24, path: [{ x: 2560, y: 185, z: 0 }, { x: 2560, y: 185, z: 205 }] },
  ],
};

export const QUENBY: HullModel = {
  id: 'quenby-126-wide', revision: 1, maker: 'Ostrin', name: 'Quenby 126 Wide', kind: 'sit-on-top', material: 'polyethylene',
  massKg: 44, capacityKg: 265, wall: 5.5, seat: { x: 2180, low: 270, high: 420 },
  stations: stations([
    [0, 60, 395, 130, 4, 0.28], [160, 210, 382, 48, 5, 0.25], [450, 330, 352, 10, 6, 0.22], [900, 430, 322, 0, 7, 0.2],
    [1500, 478, 306, 0, 8, 0.18], [2000, 480, 302, 0, 8, 0.18], [2600, 472, 304, 0, 8, 0.18], [3150, 430, 312, 4, 7, 0.2],
    [3560, 330, 328, 26, 5, 0.25], [3760, 230, 340, 70, 4, 0.28], [3840, 150, 346, 110, 4, 0.28],
  ]),
  decks: [
    { id: 'bow-plate', name: 'bow plate', kind: 'plate', ...area(60, 330, 105), height: 384, rise: -18, wall: 8 },
    { id: 'foredeck', name: 'foredeck', kind: 'foredeck', ...area(360, 980, 240), height: 345, rise: -34, wall: 5.5 },
    { id: 'cockpit', name: 'standing deck', kind: 'cockpit', ...area(1000, 2520, 345), height: 165, rise: 0, wall: 6 },
    { id: 'seat', name: 'seat base', kind: 'seat', ...area(2000, 2440, 240), height: 215, rise: 0, wall: 6 },
    { id: 'tank-well', name: 'tank well', kind: 'tank well', ...area(2640, 3380, 310), height: 215, rise: 8, wall: 5.5 },
    { id: 'stern-plate', name: 'stern plate', kind: 'plate', ...area(3520, 3790, 130), height: 330, rise: 8, wall: 8 },
  ],
  hatches: [
    { id: 'fore-hatch', name: 'foredeck hatch', ...area(430, 900, 200), height: 340, opens: 360 },
    { id: 'aft-hatch', name: 'stern hatch', ...area(3395, 3510, 80), height: 322, opens: 140 },
    { id: 'seat-hatch', name: 'hatch behind the seat', ...area(2530, 2635, 80), height: 220, opens: 130 },
  ],
  tracks: [
    { id: 'fwd-port', name: 'forward track, port', side: 'port', fore: 1150, aft: 1900, y: -420, height: 308, slot },
    { id: 'fwd-star', name: 'forward track, starboard', side: 'starboard', fore: 1150, aft: 1900, y: 420, height: 308, slot },
    { id: 'aft-port', name: 'aft track, port', side: 'port', fore: 2600, aft: 3200, y: -378, height: 308, slot },
    { id: 'aft-star', name: 'aft track, starboard', side: 'starboard', fore: 2600, aft: 3200, y: 378, height: 308, slot },
  ],
  inserts: [
    { id: 'ins-bow-p', name: 'bow plate insert, port', x: 200, y: -70, height: 376, thread: '1/4-20', depth: 20 },
    { id: 'ins-bow-s', name: 'bow plate insert, starboard', x: 200, y: 70, height: 376, thread: '1/4-20', depth: 20 },
    { id: 'ins-stern', name: 'stern plate insert', x: 3660, y: 0, height: 334, thread: '1/4-20', depth: 20 },
  ],
  scuppers: [
    { id: 'scup-1', x: 1500, y: -230, diameter: 40 }, { id: 'scup-2', x: 1500, y: 230, diameter: 40 },
    { id: 'scup-3', x: 2780, y: -220, diameter: 40 }, { id: 'scup-4', x: 2780, y: 220, diameter: 40 },
  ],
  hazards: [
    { id: 'drive-well', name: 'drive well', kind: 'drive well', shape: 'box', from: { x: 1450, y: -110, z: 0 }, to: { x: 1850, y: 110, z: 165 } },
    { id: 'rudder-tube', name: 'rudder tube', kind: 'rudder tube', shape: 'tube', radius: 8,
      path: [{ x: 1600, y: 330, z: 240 }, { x: 2600, y: 330, z: 242 }, { x: 3300, y: 260, z: 262 }, { x: 3750, y: 60, z: 290 }] },
    { id: 'mid-foam', name: 'foam block', kind: 'foam', shape: 'box', from: { x: 1010, y: -150, z: 15 }, to: { x: 1380, y: 150, z: 150 } },
  ],
};

export const BRACKWEN: HullModel = {
  id: 'brackwen-104', revision: 1, maker: 'Ostrin', name: 'Brackwen 104', kind: 'sit-inside', material: 'abs',
  massKg: 17, capacityKg: 135, wall: 4, seat: { x: 1750, low: 110, high: 150 },
  stations: stations([
    [0, 0, 360, 140, 3, 0.3], [140, 96, 350, 58, 3, 0.3], [380, 190, 330, 12, 3.5, 0.3], [750, 290, 312, 0, 4, 0.28],
    [1200, 356, 300, 0, 5, 0.25], [1600, 370, 296, 0, 5, 0.25], [2050, 350, 296, 0, 5, 0.25], [2500, 282, 302, 6, 4, 0.28],
    [2850, 180, 316, 34, 3.5, 0.3], [3050, 92, 330, 84, 3, 0.3], [3170, 0, 342, 150, 3, 0.3],
  ]),
  decks: [
    { id: 'foredeck', name: 'foredeck', kind: 'foredeck', ...area(260, 1100, 150), height: 344, rise: -24, wall: 4 },
    { id: 'cockpit', name: 'cockpit floor', kind: 'cockpit', ...area(1120, 2080, 250), height: 20, rise: 0, wall: 4.5 },
    { id: 'seat', name: 'seat base', kind: 'seat', ...area(1580, 1950, 190), height: 70, rise: 0, wall: 5 },
    { id: 'stern-deck', name: 'stern deck', kind: 'stern deck', ...area(2110, 2900, 140), height: 306, rise: 14, wall: 4 },
  ],
  hatches: [
    { id: 'cockpit-rim', name: 'cockpit', ...area(1120, 2080, 250), height: 300, opens: 480 },
    { id: 'aft-hatch', name: 'stern hatch', ...area(2400, 2620, 100), height: 312, opens: 190 },
  ],
  tracks: [], inserts: [{ id: 'ins-aft', name: 'stern deck insert', x: 2250, y: 0, height: 309, thread: '1/4-20', depth: 14 }],
  scuppers: [],
  hazards: [
    { id: 'aft-bulkhead', name: 'after bulkhead', kind: 'bulkhead', shape: 'box', from: { x: 2085, y: -330, z: 0 }, to: { x: 2105, y: 330, z: 300 } },
    { id: 'fore-foam', name: 'foam pillar', kind: 'foam', shape: 'box', from: { x: 300, y: -40, z: 10 }, to: { x: 1050, y: 40, z: 320 } },
  ],
};

export const HULLS: readonly HullModel[] = [TOLVANE, QUENBY, BRACKWEN];
