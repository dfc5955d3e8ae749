import type { ShopSettings } from './settings';

/**
 * The settings a shop starts from. Figures marked (cp) are common practice with no published source,
 * (j) our own judgement; a shop changes them all.
 */
export const USUAL_SHOP: ShopSettings = {
  revision: 1,
  name: 'The shop',
  place: '',
  timeZone: 'UTC',
  currency: 'USD',
  units: 'imperial',
  taxPercent: 7.5,
  taxOnLabor: false,
  labor: {
    centsPerHour: 6800,
    setUpMinutes: 45,
    mount: {
      loose: 4,
      strap: 6, // (j)
      clamp: 4,
      track: 3,
      insert: 4,
      scupper: 3,
      glue: 12,
      screw: 5,
      rivet: 6,
      'well nut': 7,
      through: 10,
      'pulled plate': 35,
      stud: 12, // (j)
      'cable tie': 3, // (j)
      'hook and loop': 5, // (j)
      magnet: 1, // (j)
    },
    holeMinutes: 6,
    plateMinutes: 20,
    runMinutesPerMetre: { inside: 9, outside: 5 },
    terminationMinutes: 4,
    circuitTestMinutes: 8,
    lineMinutes: 12, // (j)
    takeOff: 0.5, // (j)
    awkward: 1.5,
  },
  drilling: {
    threads: 'inch',
    pilot: 3.175,
    stepUp: 2.5, // (j)
    hazardMargin: 15,
    depthBehind: 35,
    tape: 1.5,
    hull: 2.5,
    wander: 1,
    riggerStature: 1750,
    knownWithin: 8, // (j)
    agree: false,
    farFromPlan: 25.4, // (j): an inch
    reuseWithin: 1.5, // (j)
    barWithin: 0.5, // (j)
    flatWithin: 0.5, // (j)
  },
  holding: {
    shock: 2, // (j)
    rock: 5, // (j)
    habit: [
      'track',
      'insert',
      'clamp',
      'scupper',
      'loose',
      'strap',
      'through',
      'pulled plate',
      'rivet',
      'well nut',
      'screw',
      'glue',
      'stud',
      'cable tie',
      'magnet',
      'hook and loop',
    ],
    sealant: 'neutral-cure silicone',
    nut: 'lock',
    spares: 0.1, // (j)
    plate: 12.7, // (cp): 1/2 in board
    kerf: 3, // (cp)
    pitch: 150, // (j)
    end: 27.5, // (j)
    heat: 40, // (j): a dark hull in the sun, and a winter yard
  },
  wiring: {
    standard: 'E-11',
    series: 'AWG',
    dropPercent: { electronics: 3, lights: 3, motor: 5, other: 10, charging: 3 }, // motor, charging (j)
    hot: [],
    leastAwg: { motor: 6, other: 16 },
    bundled: 'at any voltage',
    meter: false,
    readings: true,
    checks: true,
    loop: 150,
    slackPercent: 5,
    follows: 0.5, // (j)
    cutTo: 76.2,
  },
  stroke: { paddle: 2500, hand: 60, shaft: 40, body: 0.05 },
  limits: {
    cast: 600, // (j)
    astern: 30, // (j)
    standing: 500, // (j)
    rods: { light: 3, usual: 6, large: 12 }, // (cp)
    list: 0.2, // (j)
    stern: 0.6, // (cp): most of the load of a stern-heavy boat stood in the aft 60 % of its length
    trim: 1.5, // (j)
    lidKg: 10, // (j): it bows, and its seal opens
    dogKg: 20, // (j)
    childKg: 25, // (j)
    aloneKg: 20.4, // (cp): 45 lb is easy
    carryKgMetres: 4150, // (cp): 25 lb over 400 yards on a shoulder
    cartKg: 68, // (j)
    cradleKg: 90, // (j)
    tubeDeep: 0.55, // (j)
    screen: 55, // (j)
    handle: 330, // (j)
    sailing: 10, // (j)
    pitch: 20, // (j)
    heel: 30, // (j)
    handTight: 250, // (j)
    tieHolds: 900, // (j)
    dearCents: 15_000, // (j)
    slip: 0.3, // (j): wet plastic lets go at 17°
  },
  rules: [],
  cureHours: 24,
  quoteDays: 10,
};
