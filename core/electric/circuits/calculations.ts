import { z } from 'zod';
import { calculation, SOURCES } from '../../base/units';
import { chooseGauge } from './choose-gauge';
import { awgArea, awgDiameter, circularMils, e11Mils, GAUGES, isoArea, type Awg } from './gauge';
import { dropBy } from './wire-rules';
import { chooseFuse } from './protection';

const gauge = z.union(GAUGES.map((g) => z.literal(g))).describe(`one of ${GAUGES.join(', ')}`);
const amps = z.number().positive().max(1000);
const roundTrip = z.number().positive().max(100_000).describe('conductor there and back, mm');
const standard = z.enum(['E-11', 'ISO 10133', 'ISO 13297']);
const series = z.enum(['AWG', 'mm²']).default('AWG').describe('in mm² a gauge is the next section over it');

export const wireArea = calculation(
  'wire-area',
  'Diameter, area and circular mils of a gauge',
  z.strictObject({ awg: gauge }),
  [SOURCES.awg],
  ({ awg }) => ({
    diameterMm: awgDiameter(awg),
    mm2: awgArea(awg),
    circularMils: circularMils(awgArea(awg)),
  }),
);

export const wireDrop = calculation(
  'wire-drop',
  'Voltage lost along a feed, and the area each standard asks for',
  z.strictObject({
    standard,
    series,
    awg: gauge,
    amps,
    roundTrip,
    volts: z.number().positive().max(100),
    dropPercent: z.number().positive().max(50).default(3),
  }),
  [SOURCES.e11, SOURCES.iso10133, SOURCES.iso13297],
  ({ standard: s, series: sold, awg, amps: i, roundTrip: l, volts, dropPercent }) => {
    const allowed = (volts * dropPercent) / 100;
    const drop = dropBy({ standard: s, series: sold }, awg as Awg, i, l);
    return {
      dropVolts: drop,
      dropPercent: (drop / volts) * 100,
      askedMils: e11Mils(i, l, allowed),
      askedMm2: isoArea(i, l, allowed),
    };
  },
);

export const wireSize = calculation(
  'wire-size',
  'The thinnest gauge that heat, drop and the shop allow',
  z.strictObject({
    standard: standard.default('E-11'),
    series,
    amps,
    volts: z.number().positive().max(100),
    roundTrip,
    dropPercent: z.number().positive().max(50).default(3),
    conductorsInBundle: z.int().min(1).max(100).default(2),
    leastAwg: z.int().min(2).max(18).default(16),
  }),
  [SOURCES.e11, SOURCES.iso10133, SOURCES.iso13297, SOURCES.awg],
  chooseGauge,
);

export const fuseSize = calculation(
  'fuse-size',
  'Protection between load and ampacity',
  z.strictObject({ amps, ampacity: z.number().positive().max(1000), motor: z.boolean().default(false) }),
  [SOURCES.e11, SOURCES.practice],
  ({ amps: i, ampacity, motor }) => chooseFuse(motor ? { steady: 0, thrust: i } : { steady: i, thrust: 0 }, ampacity),
);
