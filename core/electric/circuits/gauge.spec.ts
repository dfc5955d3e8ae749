import fc from 'fast-check';
import { partOf } from '@plain-cleat/testing/plans';
import { AMPACITY, awgDiameter, bundleFactor, circularMils, E11_LEAST, e11Mils, isoArea } from './gauge';
import { ampacityOf } from './wire-rules';
import { type Asked, RATINGS } from './protection';
import { chooseGauge, dropAllows, type GaugeAsk } from './choose-gauge';
import { areaOf, awgArea, chooseFuse, dropBy, feedColour, fuseWithin, gaugeWords, GAUGES, nominalVolts, wireId } from './index';

const asked = (amps: number, motor = false): Asked => (motor ? { steady: 0, thrust: amps } : { steady: amps, thrust: 0 });

/** Wires sold by gauge, sized by one standard. */
const by = (standard: GaugeAsk['standard']) => ({ standard, series: 'AWG' as const });

const ask = (more: Partial<GaugeAsk>): GaugeAsk => ({
  standard: 'E-11',
  amps: 10,
  volts: 12,
  roundTrip: 20 * 304.8,
  dropPercent: 3,
  conductorsInBundle: 2,
  leastAwg: 18,
  ...more,
});

describe('wire sizes', () => {
  // ASTM B258, nominal circular mils and mm² (values from memory).
  for (const [awg, mils, mm2] of [
    [18, 1620, 0.823],
    [16, 2580, 1.31],
    [14, 4110, 2.08],
    [12, 6530, 3.31],
    [10, 10_380, 5.26],
    [8, 16_510, 8.37],
    [6, 26_240, 13.3],
    [4, 41_740, 21.2],
    [2, 66_360, 33.6],
  ] as const)
    it(`${awg} AWG has ${mils} circular mils, ${mm2} mm²`, () => {
      expect(circularMils(awgArea(awg)) / mils).toBeCloseTo(1, 2);
      expect(awgArea(awg) / mm2).toBeCloseTo(1, 2);
    });

  it('motors are fed by red, navigation lights by dark grey, lights aboard by dark blue, the rest by orange (ABYC E-11, from memory)', () => {
    const colour = (id: string) => feedColour(partOf(id));
    expect(
      ['motor-bow-55', 'side-lights', 'mast-light', 'stern-light', 'deck-light', 'sounder-arm-7', 'usb-ports', 'livewell'].map(
        colour,
      ),
    ).toEqual([...(['red', 'dark grey', 'dark grey', 'dark grey', 'dark blue', 'orange', 'orange', 'brown'] as const)]);
  });

  it('36 AWG is five thousandths of an inch by definition', () => expect(awgDiameter(36)).toBeCloseTo(0.127, 12));

  it('E-11 least areas stay under the nominal ones', () => {
    for (const g of GAUGES) expect(E11_LEAST[g]).toBeLessThan(circularMils(awgArea(g)));
  });
});

describe('voltage drop', () => {
  it('by E-11: 10 A, 20 ft there and back, 12 V, 3 % asks for 5972 circular mils, so 10 AWG (worked case, from memory)', () => {
    expect(e11Mils(10, 20 * 304.8, 0.36)).toBeCloseTo(5972.2, 1);
    expect(chooseGauge(ask({})).byDrop).toBe(10);
    expect(dropAllows(ask({}), 12)).toBeFalse();
  });

  it('by ISO 10133: 10 A, 10 m there and back, 0.5 V asks for 3.28 mm² by hand', () => {
    expect(isoArea(10, 10_000, 0.5)).toBeCloseTo(3.28, 9);
    expect(chooseGauge(ask({ standard: 'ISO 10133', roundTrip: 10_000, dropPercent: (0.5 / 12) * 100 })).byDrop).toBe(12);
  });

  it('on equal area the two standards differ by the constant 1.090', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 80, noNaN: true }),
        fc.double({ min: 200, max: 20_000, noNaN: true }),
        (amps, length) => {
          const e11 = e11Mils(amps, length, 0.4) * (Math.PI / 4) * 0.0254 ** 2;
          return Math.abs(e11 / isoArea(amps, length, 0.4) - 1.09) < 0.0005;
        },
      ),
      { seed: 3 },
    );
  });

  it('grows with current and length, shrinks with thickness', () => {
    expect(dropBy(by('E-11'), 10, 10, 6096)).toBeCloseTo((10.75 * 10 * 20) / 9343, 9);
    for (const s of ['E-11', 'ISO 10133'] as const) expect(dropBy(by(s), 6, 10, 6000)).toBeLessThan(dropBy(by(s), 8, 10, 6000));
  });
});

describe('gauge', () => {
  it('ampacity of 105 °C conductors outside engine spaces, E-11 (from memory)', () => {
    expect(GAUGES.map((g) => AMPACITY[g])).toEqual([20, 25, 35, 45, 60, 80, 120, 160, 210]);
    expect([2, 3, 4, 6, 7, 24, 25].map(bundleFactor)).toEqual([1, 0.7, 0.6, 0.6, 0.5, 0.5, 0.4]);
  });

  it('a 55 lb motor at 50 A over a bow-to-stern feed takes 6 AWG (common practice, no source)', () => {
    const choice = chooseGauge(ask({ amps: 50, roundTrip: 2 * 3175, dropPercent: 5, leastAwg: 6 }));
    expect(choice.awg).toBe(6);
  });

  it('names the rule that ruled', () => {
    expect(chooseGauge(ask({ amps: 0.2, leastAwg: 16 })).ruled).toBe('shop');
    expect(chooseGauge(ask({ amps: 10 })).ruled).toBe('drop');
    expect(chooseGauge(ask({ amps: 55, roundTrip: 300, motor: true })).ruled).toBe('heat');
    expect(chooseGauge(ask({ amps: 300 })).awg).toBeNull();
  });

  it('never chooses a wire that any of its rules forbids', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 120, noNaN: true }),
        fc.double({ min: 100, max: 16_000, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        (amps, roundTrip, bundle) => {
          const a = ask({ amps, roundTrip, conductorsInBundle: bundle, leastAwg: 16 });
          const { awg } = chooseGauge(a);
          return awg === null || (awg <= 16 && AMPACITY[awg] * bundleFactor(bundle) >= amps && dropAllows(a, awg));
        },
      ),
      { seed: 4, numRuns: 500 },
    );
  });
});

describe('gauge and protection together', () => {
  it('no choice of the product ends without protection: any load, length and bundle it finds a wire for (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 80, noNaN: true }),
        fc.double({ min: 100, max: 16_000, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        fc.boolean(),
        (amps, roundTrip, bundle, motor) => {
          const a = ask({ amps, roundTrip, conductorsInBundle: bundle, leastAwg: 18, motor });
          const { awg } = chooseGauge(a);
          if (awg === null) return true;
          const { rating, over } = chooseFuse(asked(amps, motor), AMPACITY[awg] * bundleFactor(bundle));
          return rating !== null && !over && rating >= (motor ? amps : amps / 0.8) - 1e-9;
        },
      ),
      { seed: 9, numRuns: 800 },
    );
  });

  it("18 A all day wants a 25 A fuse, so 16 AWG and not 18; a maker's own 30 A fuse wants 14", () => {
    const short = { amps: 18, roundTrip: 500, leastAwg: 18, conductorsInBundle: 2 };
    expect(chooseGauge(ask(short))).toEqual(jasmine.objectContaining({ awg: 16, byHeat: 18, ruled: 'protection' }));
    expect(chooseGauge(ask({ ...short, ownFuse: 30 })).awg).toBe(14);
    expect(chooseFuse(asked(18), 35, 30).rating).toBe(30);
  });

  it('a drop is a share of nominal volts: 12.8 and 13.8 V are a 12 V system, 25.6 a 24 V one', () => {
    expect([12, 12.8, 13.8, 24, 25.6, 36, 38.4, 5].map(nominalVolts)).toEqual([12, 12, 12, 24, 24, 36, 36, 5]);
  });
});

describe('fuse', () => {
  it('breakers by motor class (common practice, no source): 30 A on 40, 42 on 50, 50 on 60', () => {
    expect(chooseFuse(asked(42, true), 120).rating).toBe(50);
    expect(chooseFuse(asked(30, true), 120).rating).toBe(40);
    expect(chooseFuse(asked(50, true), 120).rating).toBe(60);
  });

  it('carries a continuous load at no more than 80 % (common practice)', () => {
    expect(chooseFuse(asked(0.75), 25).rating).toBe(1);
    expect(chooseFuse(asked(0.9), 25).rating).toBe(2);
  });

  it('stays within the ampacity, or the next size up to 150 % of it (E-11)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 90, noNaN: true }),
        fc.double({ min: 5, max: 200, noNaN: true }),
        fc.boolean(),
        (amps, ampacity, motor) => {
          const { rating, over } = chooseFuse(asked(amps, motor), ampacity);
          if (rating === null) return true;
          return rating >= amps && (over ? rating <= 1.5 * ampacity : rating <= ampacity) && RATINGS.includes(rating as 1);
        },
      ),
      { seed: 5, numRuns: 500 },
    );
  });
});

describe('wires sold in mm², and ISO 13297 (its table and factors from memory)', () => {
  const iso = (series: 'AWG' | 'mm²') => ({ standard: 'ISO 13297' as const, series, bundled: 'at any voltage' as const });

  it('are the next section over each gauge: never thinner than it, never two steps up', () => {
    expect(GAUGES.map((g) => gaugeWords(g, 'mm²'))).toEqual(
      ['1', '1.5', '2.5', '4', '6', '10', '16', '25', '35'].map((mm2) => `${mm2} mm²`),
    );
    GAUGES.forEach((g, i) => {
      const [here, next] = [areaOf(g, 'mm²'), GAUGES[i + 1]];
      expect(here).toBeGreaterThan(awgArea(g));
      if (next !== undefined) expect(here).toBeLessThan(awgArea(next));
    });
    expect([gaugeWords(16, 'AWG'), gaugeWords(null, 'mm²'), wireId(16, 'mm²'), wireId(16, 'AWG')]).toEqual([
      ...['16 AWG', 'no gauge', 'wire-1-5mm2', 'wire-16'],
    ]);
  });

  it('carry what the table says of their section; a gauge between two sections as the thinner', () => {
    expect(GAUGES.map((g) => ampacityOf(g, 2, iso('mm²')))).toEqual([20, 25, 35, 45, 60, 90, 130, 170, 210]);
    // 0.82 mm² as 0.75, 1.31 as 1, 2.08 as 1.5, 3.31 as 2.5, 5.26 as 4, 8.37 as 6, 13.3 as 10, 21.2 as 16, 33.6 as 25.
    expect(GAUGES.map((g) => ampacityOf(g, 2, iso('AWG')))).toEqual([16, 20, 25, 35, 45, 60, 90, 130, 170]);
    expect([3, 4, 6, 7, 24, 25].map((n) => Math.round(ampacityOf(10, n, iso('mm²'))))).toEqual([60, 42, 42, 36, 36, 30]);
  });

  it('of metric section under E-11 carry as the gauge under them, and lose by their own section', () => {
    const rules = { standard: 'E-11' as const, series: 'mm²' as const, bundled: 'at any voltage' as const };
    expect(GAUGES.map((g) => ampacityOf(g, 2, rules))).toEqual(GAUGES.map((g) => AMPACITY[g]));
    // 10 A, 20 ft there and back in 6 mm² of 11,840 CM: 10.75 · 10 · 20 / 11,840 = 0.1816 V.
    expect(dropBy(rules, 10, 10, 6096)).toBeCloseTo(0.1816, 4);
  });

  it('lose 0.0164 · I · L / S: 10 A over 6 m in 2.5 mm² 0.394 V, in 4 mm² 0.246 V (by hand)', () => {
    expect(dropBy(iso('mm²'), 14, 10, 6000)).toBeCloseTo(0.3936, 9);
    expect(dropBy(iso('mm²'), 12, 10, 6000)).toBeCloseTo(0.246, 9);
  });

  it('are chosen by hand-worked cases: drop at 3 % of 12 V, then heat in a bundle, then the least section', () => {
    const chosen = (more: Partial<GaugeAsk>) => chooseGauge(ask({ standard: 'ISO 13297', series: 'mm²', ...more }));
    // 10 A, 6 m: 0.0164 · 10 · 6 / 0.36 = 2.73 mm², so 4 mm².
    const drop = chosen({ roundTrip: 6000 });
    expect([gaugeWords(drop.awg, 'mm²'), drop.ruled]).toEqual(['4 mm²', 'drop']);
    // 30 A over a metre in a bundle of five: 0.7 · 45 = 31.5 A in 4 mm², 0.7 · 35 = 24.5 in 2.5; its fuse, 40 A, wants 60 · 0.7 = 42.
    const heat = chosen({ amps: 30, roundTrip: 1000, conductorsInBundle: 5, dropPercent: 10 });
    expect([gaugeWords(heat.byHeat, 'mm²'), gaugeWords(heat.byFuse, 'mm²')]).toEqual(['4 mm²', '6 mm²']);
    // Sold by gauge, 18 AWG is under a square millimetre.
    expect(chooseGauge(ask({ standard: 'ISO 13297', amps: 0.1, roundTrip: 500 })).awg).toBe(16);
    expect(chosen({ amps: 0.1, roundTrip: 500 }).awg).toBe(18);
    expect(drop.sources.map((s) => s.title).join()).toContain('ISO 13297');
  });

  it('are protected within 200 mm, by E-11 within 7 in', () => {
    expect(fuseWithin('ISO 13297')).toBe(200);
    for (const s of ['ISO 10133', 'E-11'] as const) expect(fuseWithin(s)).toBeCloseTo(177.8, 9);
  });
});
