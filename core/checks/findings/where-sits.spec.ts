import { QUENBY, TOLVANE } from '../../../demo/index';
import type { HullModel } from '../../boat/hull';
import { USUAL_BRIEF, type Brief, type Fitting } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';

/** Codes and how bad, of one thing alone on a boat. */
function saidOf(f: Fitting, brief: Partial<Brief> = {}, hull: HullModel = TOLVANE): Record<string, string> {
  const w = workUp(inputOf({ f }, { brief: { ...USUAL_BRIEF, ...brief } }, [], hull));
  return Object.fromEntries(w.findings.filter((x) => x.where === 'f').map((x) => [x.code, x.severity]));
}

/**
 * Worked by hand: a body of 1,800 mm is 0.13 × 1,800 = 234 mm from breast to back (judgement) and, at the hips,
 * 0.191 × 1,800 = 344 mm wide (Drillis & Contini 1966, in Winter, Biomechanics, from memory), about a hip at x 2,050.
 */
describe('where somebody sits', () => {
  const brief = { stature: 1800, seat: 'low' as const, propulsion: ['paddle' as const] };
  const BACK = 2050 + 117;
  // 200 mm long and 90 mm tall, raised so that it reaches over the seat.
  const box = (fore: number, y = 0): Fitting => fitted('first-aid', deck(fore + 100, y), 'loose', { lift: 80 });

  it('a thing a hand behind the back is clear; for a body 5 % larger it is looked at; where the back is it is stopped', () => {
    const at = (fore: number): string | undefined => saidOf(box(fore), brief)['where-sits'];
    expect(at(BACK + 30)).toBeUndefined();
    expect(at(BACK + 3)).toBe('look');
    expect(at(BACK - 3)).toBe('stop');
  });

  it('a thing beside the hips is clear, a thing on the seat never', () => {
    // Half as wide as the hips, and half as wide as itself.
    const beside = 172 + 70;
    const at = (y: number): string | undefined => saidOf(box(1950, y), brief)['where-sits'];
    for (const side of [1, -1]) {
      expect(at(side * (beside + 20))).toBeUndefined();
      expect(at(side * (beside + 3))).toBe('look');
      expect(at(side * (beside - 3))).toBe('stop');
    }
    expect(at(0)).toBe('stop');
  });

  it('what is sat on, worn or stood on is meant to be there', () => {
    for (const id of ['seat-cushion', 'jacket-slim', 'dog-mat'])
      expect(saidOf(fitted(id, deck(2050, 0), 'loose'), brief)['where-sits'])
        .withContext(id)
        .toBeUndefined();
  });

  it('is not judged of a body whose figures are not kept', () => {
    expect(saidOf(box(2000), { ...brief, forgotten: true })['where-sits']).toBeUndefined();
  });
});

describe('a motor and the water', () => {
  const motor = (x: number, y = 0, heading = 0): Fitting => fitted('motor-stern-45', deck(x, y, heading), 'through');
  const said = (f: Fitting): Record<string, string> => saidOf(f, {}, QUENBY);

  it('over the stern it hangs free; anywhere its shaft goes down through the hull it is stopped', () => {
    // The shaft stands 185 to 245 mm aft of the middle of its base, 70 mm wide; the hull ends at 3,840.
    expect(said(motor(3660))['shaft-in-hull']).toBeUndefined();
    for (const at of [motor(3600), motor(1000), motor(2200, 200), motor(1000, 0, 90), motor(300)])
      expect(said(at)['shaft-in-hull']).withContext(JSON.stringify(at.place)).toBe('stop');
  });

  it('beside the gunwale it hangs free where the hull is narrow enough', () => {
    // Turned, the shaft points to port; over the edge of the foredeck by 185 mm it is outside.
    const half = 240;
    expect(said(motor(650, -half + 30, -90))['shaft-in-hull']).toBe('stop');
  });

  it('high over the water it is looked at', () => {
    expect(said({ ...motor(3670), lift: 260 })['shaft-shallow']).toBe('look');
    expect(said(motor(3660))['shaft-shallow']).toBeUndefined();
  });
});
