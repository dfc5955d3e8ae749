import { TOLVANE } from '../../../demo/index';
import { NO_CORRECTION } from './correction';
import { correctionOf, fairHull, findDatum, type KnownDistance, knownPlaces, reading, sumFaults } from './index';

const hull = fairHull(TOLVANE);
const drawn = (from: string, to: string, run: KnownDistance['run'] = 'taut'): number =>
  reading(hull, findDatum(hull, from), run, findDatum(hull, to).at);
const known = (from: string, to: string, off: number): KnownDistance => ({
  from,
  to,
  run: 'taut',
  reading: drawn(from, to) + off,
});

describe('this hull, not the drawing', () => {
  it('asks for places a tape can be put on, far apart', () => {
    expect(knownPlaces(hull)).toEqual([
      { from: 'bow', to: 'fore-hatch.aft' },
      { from: 'bow', to: 'stern' },
    ]);
    const bare = fairHull({ ...TOLVANE, hatches: [], tracks: [], inserts: [], scuppers: [] });
    expect(knownPlaces(bare)).toEqual([{ from: 'bow', to: 'stern' }]);
  });

  it('is the drawing until it is measured', () => {
    expect(correctionOf(hull, []).between(0, 2000)).toBe(0);
    expect(NO_CORRECTION.between(100, 900)).toBe(0);
  });

  it('stretches evenly between what was measured, worked by hand', () => {
    // The hatch edge at 880 lies 3 mm aft of the drawing, the stern at 3600 lies 9 mm aft.
    const c = correctionOf(hull, [known('bow', 'fore-hatch.aft', 3), known('bow', 'stern', 9)]);
    expect(c.known.map((k) => Math.round(k.off * 1e6) / 1e6)).toEqual([3, 9]);
    expect(c.between(0, 880)).toBeCloseTo(3, 9);
    expect(c.between(0, 440)).toBeCloseTo(1.5, 9);
    expect(c.between(0, 2240)).toBeCloseTo(6, 9);
    // From a hook amidships only what lies between counts, either way.
    expect(c.between(880, 2240)).toBeCloseTo(3, 9);
    expect(c.between(2240, 880)).toBeCloseTo(3, 9);
  });

  it('a hook at the stern reads more by as much as the boat is longer', () => {
    const c = correctionOf(hull, [known('stern', 'fore-hatch.aft', 5)]);
    // Forward of the stern: the hatch edge lies 5 mm farther from it.
    expect(c.between(3600, 880)).toBeCloseTo(5, 9);
  });

  it('the later of two readings of one distance counts', () => {
    const c = correctionOf(hull, [known('bow', 'stern', 9), known('bow', 'stern', 2)]);
    expect(c.known.length).toBe(1);
    expect(c.between(0, 3600)).toBeCloseTo(2, 9);
  });

  it('readings from both ends must make the length', () => {
    const of = (a: number, b: number, whole?: number) =>
      sumFaults(
        correctionOf(hull, [
          known('bow', 'fore-hatch.aft', a),
          known('stern', 'fore-hatch.aft', b),
          ...(whole === undefined ? [] : [known('bow', 'stern', whole)]),
        ]).known,
        4,
      );
    expect(of(2, -2)).toEqual([]);
    expect(of(2, 12)).toEqual([{ to: 'fore-hatch.aft', off: jasmine.any(Number) as never }]);
    expect(of(2, 12)[0]?.off).toBeCloseTo(14, 6);
    // A boat that is 14 mm longer all over explains it.
    expect(of(2, 12, 14)).toEqual([]);
  });
});
