import fc from 'fast-check';
import { BRACKWEN, ORRISK, PELLIN, QUENBY, TOLVANE } from '../../demo/index';
import { fairHull, findDatum, reading } from '../boat/hull';
import { deck, fitted, inputOf, savedFact } from '@plain-cleat/testing/plans';
import { tell } from '../base/units';
import { workUp } from '../workup';
import { measuredPlace, measuredPlaces } from './ledger';
import { type Fact, foldLedger } from './index';

const hull = fairHull(TOLVANE);
const at = (x: number, y: number, off = 0) => ({
  hullRevision: 1,
  datum: 'bow',
  run: 'taut' as const,
  reading: reading(hull, findDatum(hull, 'bow'), 'taut', { x, y, z: hull.spot(x, y).z }) + off,
  offCentre: y,
  down: null,
});
const drilled = (hole: string, x: number, y: number, more: object = {}): Fact =>
  savedFact({ kind: 'holeDrilled', hole, label: 'A1', bit: 6.4, elsewhere: false, measured: at(x, y), ...more });
const measured = (to: string, off: number): Fact => {
  const drawn = reading(hull, findDatum(hull, 'bow'), 'taut', findDatum(hull, to).at);
  return savedFact({ kind: 'readingTaken', from: 'bow', to, run: 'taut', reading: drawn + off });
};

describe('the ledger of a hull', () => {
  it('two measures of one hole are both kept, and are a finding when they differ', () => {
    const facts = [drilled('e.1', 3200, 0), { ...drilled('e.1', 3203, 0), by: 'Tom Hale' }];
    const { holes } = foldLedger(hull, facts, 'plan-1');
    expect(holes.length).toBe(1);
    expect(holes[0]?.also.map((t) => t.by)).toEqual(['Tom Hale']);
    const w = workUp(inputOf({ e: fitted('pad-eye', deck(3217, 0), 'rivet') }, {}, facts));
    const found = w.findings.find((f) => f.code === 'measured-twice');
    expect(found?.severity).toBe('look');
    const agreeing = [drilled('e.1', 3200, 0), drilled('e.1', 3200.4, 0)];
    const same = workUp(inputOf({ e: fitted('pad-eye', deck(3217, 0), 'rivet') }, {}, agreeing));
    expect(same.findings.map((f) => f.code)).not.toContain('measured-twice');
  });

  it('opened up under the second telling, it is opened up', () => {
    const twice = [drilled('e.1', 3200, 0), { ...drilled('e.1', 3202, 0), by: 'Tom Hale' }];
    const opened = savedFact({ kind: 'holeOpened', of: twice[1]?.id, bit: 9 });
    const { holes } = foldLedger(hull, [...twice, opened], 'plan-1');
    expect(holes.map((h) => [h.bit, h.also.length])).toEqual([[9, 1]]);
  });

  it('farther apart than a bit they are two holes', () => {
    const { holes } = foldLedger(hull, [drilled('e.1', 3200, 0), drilled('e.1', 3210, 0)], 'plan-1');
    expect(holes.length).toBe(2);
  });

  it('a hole found on a used boat is in it, whoever drilled it, and can be plugged and opened up', () => {
    const found = savedFact({
      kind: 'holeFound',
      hole: 'old-1',
      label: 'O1',
      bit: 5,
      says: 'left of the well',
      measured: at(2500, 100),
    });
    const opened = savedFact({ kind: 'holeOpened', of: found.id, bit: 6.4 });
    const plugged = savedFact({ kind: 'holePlugged', hole: found.id, with: 'nylon plug' });
    const [hole] = foldLedger(hull, [found, opened, plugged], 'plan-1').holes;
    expect(hole).toEqual(jasmine.objectContaining({ rig: null, found: 'left of the well', bit: 6.4, plugged: 'nylon plug' }));
    expect(hole?.at?.x).toBeCloseTo(2500, 6);
  });

  it('a hole given up stands with its reason until it is drilled after all', () => {
    const given = savedFact({ kind: 'holeAbandoned', hole: 'e.1', why: 'foam behind' });
    expect(foldLedger(hull, [given], 'plan-1').abandoned.get('e.1')).toBe('foam behind');
    expect(foldLedger(hull, [given, drilled('e.1', 3200, 0)], 'plan-1').abandoned.size).toBe(0);
    const w = workUp(inputOf({ e: fitted('pad-eye', deck(3217, 0), 'rivet') }, {}, [given]));
    expect(w.rounds.flatMap((r) => r.holes)).not.toContain('e.1');
  });

  it('readings, agreement and measured bars are kept; the last of each counts', () => {
    const facts = [
      measured('stern', 2),
      savedFact({ kind: 'layoutAgreed', name: 'Ada Quill', photo: null }),
      savedFact({ kind: 'barMeasured', paper: 'A4', bar: '100 mm', reading: 99.2 }),
      savedFact({ kind: 'barMeasured', paper: 'A4', bar: '100 mm', reading: 100 }),
    ];
    const ledger = foldLedger(hull, facts, 'plan-1');
    expect(ledger.agreed?.name).toBe('Ada Quill');
    expect(ledger.bars.get('A4')?.reading).toBe(100);
    expect(ledger.readings.length).toBe(1);
    expect(foldLedger(hull, facts, 'another-plan').agreed).toBeNull();
  });

  it('what this boat reads more than the drawing comes off again: a hole lies where it was meant', () => {
    const facts = [measured('fore-hatch.aft', 3), measured('stern', 9)];
    const plan = { e: fitted('pad-eye', deck(3217, 0), 'rivet') };
    const w = workUp(inputOf(plan, {}, facts));
    const bare = workUp(inputOf(plan));
    w.drilling.holes.forEach((h, i) => {
      expect(h.reading - (bare.drilling.holes[i]?.reading ?? 0)).toBeCloseTo(ledgerShift(h.at.x), 6);
      const m = { hullRevision: 1, datum: 'bow', run: 'taut' as const, reading: h.reading, offCentre: h.at.y, down: null };
      expect(measuredPlace(hull, m, w.ledger.correction)?.x).toBeCloseTo(h.at.x, 2);
    });
    function ledgerShift(x: number): number {
      return 3 + (6 * (x - 880)) / (3600 - 880);
    }
  });
});

describe('before the first hole', () => {
  const plan = { e: fitted('pad-eye', deck(3217, 0), 'rivet') };
  const gate = (facts: readonly Fact[], agree = false) => {
    const input = inputOf(plan, {}, facts);
    return workUp({ ...input, shop: { ...input.shop, drilling: { ...input.shop.drilling, agree } } }).drilling.gate;
  };

  it('two known distances open it; a plan without holes needs none', () => {
    expect(gate([]).open).toBeFalse();
    expect(gate([measured('fore-hatch.aft', 1)]).open).toBeFalse();
    expect(gate([measured('fore-hatch.aft', 1), measured('stern', -2)]).open).toBeTrue();
    expect(workUp(inputOf({})).drilling.gate.open).toBeTrue();
  });

  it('a boat that is not as drawn stays locked, and nobody may accept it', () => {
    const facts = [measured('fore-hatch.aft', 1), measured('stern', 25)];
    expect(gate(facts).open).toBeFalse();
    const finding = workUp(inputOf(plan, {}, facts)).findings.find((f) => f.code === 'hull-off');
    expect([finding?.severity, finding?.acceptable]).toEqual(['stop', 'nobody']);
  });

  it('the owner agrees where the shop asks for it', () => {
    const facts = [measured('fore-hatch.aft', 1), measured('stern', -2)];
    expect(gate(facts, true).open).toBeFalse();
    expect(gate([...facts, savedFact({ kind: 'layoutAgreed', name: 'Ada', photo: null })], true).open).toBeTrue();
  });

  it('readings from both ends that miss the length lock it', () => {
    const drawn = reading(hull, findDatum(hull, 'stern'), 'taut', findDatum(hull, 'fore-hatch.aft').at);
    const misread = savedFact({ kind: 'readingTaken', from: 'stern', to: 'fore-hatch.aft', run: 'taut', reading: drawn + 7 });
    const { open, wants } = gate([measured('fore-hatch.aft', 1), measured('stern', 0), misread]);
    expect(open).toBeFalse();
    expect(tell(wants.find((w) => w.id === 'sum')?.says ?? [], 'metric')).toContain('8 mm over the length');
  });
});

describe('a hole drilled exactly as planned', () => {
  it('reads back at its place to a tenth, whatever the tape, beside every step of every hull (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(TOLVANE, BRACKWEN, ORRISK, QUENBY, PELLIN),
        fc.constantFrom('taut' as const, 'centre' as const, 'gunwale' as const),
        fc.constantFrom('bow', 'stern'),
        fc.nat(30),
        fc.integer({ min: -60, max: 60 }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (model, run, datum, which, off, side) => {
          const hull = fairHull(model);
          const edges = model.decks.flatMap((d) => [d.fore, d.aft]);
          const x = Math.min(hull.length - 20, Math.max(20, (edges[which % edges.length] ?? 0) + off + 0.37));
          const y = side * hull.halfBreadth(x);
          const hook = findDatum(hull, datum);
          const at = { x, y, z: hull.spot(x, y).z };
          const measured = {
            hullRevision: 1,
            datum,
            run,
            reading: reading(hull, hook, run, at),
            offCentre: y,
            down: null,
            aimed: x,
          };
          const back = measuredPlaces(hull, measured)[0];
          expect(Math.abs((back?.x ?? NaN) - x)).toBeLessThan(0.1);
        },
      ),
      { seed: 5, numRuns: 600 },
    );
  });

  it('says so when the tape reads two places alike', () => {
    const hull = fairHull(TOLVANE);
    const bow = findDatum(hull, 'bow');
    // Just ahead of the after end of the floor: on the deck over it, 11 mm aft, a taut tape reads the same.
    const at = { x: 2325, y: 0, z: hull.spot(2325, 0).z };
    const measured = {
      hullRevision: 1,
      datum: 'bow',
      run: 'taut' as const,
      reading: reading(hull, bow, 'taut', at),
      offCentre: 0,
      down: null,
    };
    expect(measuredPlaces(hull, measured).length).toBe(2);
    expect(measuredPlaces(hull, { ...measured, run: 'centre' as const, reading: 2325 }).length).toBe(1);
  });
});
