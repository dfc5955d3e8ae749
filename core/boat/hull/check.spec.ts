import { BRACKWEN, ORRISK, PELLIN, QUENBY, TOLVANE } from '../../../demo/index';
import { hullFaults, type HullModel } from './index';

describe('what keeps a hull from holding together', () => {
  const fields = (more: Partial<HullModel>): string[] => hullFaults({ ...TOLVANE, ...more }).map((f) => f.field);
  it('is nothing on the demo hulls', () => {
    for (const model of [BRACKWEN, ORRISK, PELLIN, QUENBY, TOLVANE])
      expect(hullFaults(model)).withContext(model.name).toEqual([]);
  });
  it('names the field: no beam, a bow off nought, two of one name, a track beside the hull, an area inside out', () => {
    expect(fields({ stations: TOLVANE.stations.map((s) => ({ ...s, halfBreadth: 0 })), tracks: [] })).toEqual(['stations']);
    expect(fields({ stations: TOLVANE.stations.map((s) => ({ ...s, x: s.x + 40 })) })).toContain('stations.0.x');
    expect(hullFaults({ ...TOLVANE, stations: TOLVANE.stations.map((s) => ({ ...s, halfBreadth: 0 })) })[0]?.says).toBe(
      'the widest beam is 300 to 1800 mm; this says 0',
    );
    expect(fields({ scuppers: TOLVANE.scuppers.map((s) => ({ ...s, id: 'a' })) })).toEqual(['scuppers.1.id']);
    expect(fields({ tracks: TOLVANE.tracks.map((t) => ({ ...t, aft: 5000 })) })[0]).toBe('tracks.0');
    expect(fields({ decks: TOLVANE.decks.map((d, i) => (i ? d : { ...d, aft: d.fore })) })).toEqual(['decks.0.aft']);
  });
  it('names the figure that no kayak has, and says what would be right', () => {
    expect(hullFaults({ ...TOLVANE, wall: 5000 })).toEqual([
      { field: 'wall', says: 'a wall is 0.2 to 100 mm there; this says 5000' },
    ]);
    expect(fields({ wall: NaN })).toEqual(['wall']);
    expect(fields({ stations: TOLVANE.stations.map((s) => ({ ...s, x: s.x * 10 })), tracks: [] })).toEqual(['stations']);
    expect(fields({ scuppers: TOLVANE.scuppers.map((s) => ({ ...s, diameter: 400 })) })[0]).toBe('scuppers.0.diameter');
    expect(fields({ hatches: TOLVANE.hatches.map((h) => ({ ...h, opens: 5 })) })[0]).toBe('hatches.0.opens');
    expect(fields({ decks: TOLVANE.decks.map((d) => ({ ...d, height: 2000 })) })[0]).toBe('decks.0.height');
  });
});
