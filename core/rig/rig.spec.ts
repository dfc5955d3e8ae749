import { TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import { savedFact } from '@plain-cleat/testing/plans';
import { measuredPlace } from './ledger';
import { foldLedger } from './index';

describe('ledger', () => {
  const hull = fairHull(TOLVANE);
  const measured = { hullRevision: 1, datum: 'bow', run: 'taut' as const, reading: 1600, offCentre: 372, down: null };
  const drilled = savedFact({ kind: 'holeDrilled', hole: 'x.1', label: 'A1', bit: 6.7, measured, elsewhere: false });

  it('derives the place of a hole from what was measured', () => {
    const at = measuredPlace(hull, measured);
    expect(Math.hypot(at?.x ?? 0, 372, (at?.z ?? 0) - 400)).toBeCloseTo(1600, 3);
    expect(measuredPlace(hull, { ...measured, reading: 9000 })).toBeNull();
    expect(measuredPlace(hull, { ...measured, run: 'centre', down: 60 })?.z).toBeCloseTo(hull.gunwale(1600) - 60, 6);
  });

  it('keeps holes for ever, plugged ones with what', () => {
    const plugged = savedFact({ kind: 'holePlugged', hole: 'x.1', with: 'nylon plug, sealed' });
    expect(foldLedger(hull, [drilled, plugged], 'plan-1').holes[0]?.plugged).toBe('nylon plug, sealed');
    expect(foldLedger(hull, [drilled, plugged], 'another-rig').holes.length).toBe(1);
  });

  it('a hole plugged and drilled anew is two holes', () => {
    const plugged = savedFact({ kind: 'holePlugged', hole: 'x.1', with: 'nylon plug' });
    const anew = savedFact({
      kind: 'holeDrilled',
      hole: 'x.1',
      label: 'A1',
      bit: 6.7,
      measured: { ...measured, reading: 1620 },
      elsewhere: false,
    });
    expect(foldLedger(hull, [drilled, plugged, anew], 'plan-1').holes.map((h) => [h.measured.reading, h.plugged])).toEqual([
      [1600, 'nylon plug'],
      [1620, null],
    ]);
  });

  it('corrects only by a later fact, and a taking-back can be taken back', () => {
    const back = savedFact({ kind: 'tookBack', fact: drilled.id, why: 'wrong hole' });
    const again = savedFact({ kind: 'tookBack', fact: back.id, why: 'it was right' });
    expect(foldLedger(hull, [drilled, back], 'plan-1').holes.length).toBe(0);
    expect(foldLedger(hull, [drilled, back, again], 'plan-1').holes.length).toBe(1);
  });

  it('adds minutes, keeps steps, stops and signatures of this rig alone', () => {
    const facts = [
      savedFact({ kind: 'minutesBooked', step: 'tape', minutes: 10 }),
      savedFact({ kind: 'minutesBooked', step: 'tape', minutes: 5 }),
      savedFact({ kind: 'stepDone', step: 'tape' }),
      savedFact({ kind: 'stopShown', stop: 'g' }),
      savedFact({ kind: 'signed', name: 'Ines', drawing: 'data:image/png;base64,AA==' }),
    ];
    const mine = foldLedger(hull, facts, 'plan-1');
    expect([mine.minutes.get('tape'), mine.steps.has('tape'), mine.shown.has('g'), mine.signed?.kind]).toEqual([
      15,
      true,
      true,
      'signed',
    ]);
    const other = foldLedger(hull, facts, 'plan-2');
    expect([other.minutes.size, other.steps.size, other.shown.size, other.signed]).toEqual([0, 0, 0, null]);
  });
});
