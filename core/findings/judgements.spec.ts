import { BRACKWEN, ORRISK, PELLIN, QUENBY, SHOP, TOLVANE } from '../../demo/index';
import { type Brief, type Fitting, type Place, type Plan } from '../rig';
import { found, judgeCases, type JudgementCase, rig, search, words } from '../testing/judging';
import { deck, fitted, inputOf } from '../testing/plans';
import { tell } from '../units';
import { workUp, type WorkupInput } from '../workup';
import { rodsCarried } from './clutter';
import { searchFixes } from '../fixes';
import type { Finding, FindingCode } from './index';

const on = (fitting: string, u: number, v = 0, heading = 0): Place => ({ on: 'fitting', fitting, u, v, heading });
const loose = (part: string, place: Place, more: Partial<Fitting> = {}): Fitting => fitted(part, place, 'loose', more);
const riveted = (part: string, place: Place): Fitting => fitted(part, place, 'rivet');
/** On rubber well nuts: no hand is wanted behind, wherever it slides. */
const onNuts = (part: string, place: Place): Fitting => fitted(part, place, 'well nut');
const through = (part: string, place: Place, more: Partial<Fitting> = {}): Fitting => fitted(part, place, 'through', more);
const onTrack = (part: string, id: string, x: number, heading = 0): Fitting =>
  fitted(part, { on: 'track', track: id, x, heading }, 'track');

/** The Tolvane with its drive left ashore. */
const NO_DRIVE = { ...TOLVANE, moving: [] };
const seated = { stature: 1778 } as const;
const night = { waters: ['night'] as Brief['waters'] };
/** On the floor of a room inside. */
const within = (space: string, x: number, y = 0, heading = 0): Place => ({ on: 'space', space, x, y, heading });
const shortTether = { tether: { to: null, length: 300 } };
const quenbyMotor = { d: through('motor-stern-45', deck(3660, 0), { mount: { hold: 'through', plate: true, reason: '' } }) };

/** A motor, a sounder and a battery for each of them: what is fed from which. */
const powered = (battery: string, sounder: 'b' | 'own', more: Plan['fittings'] = {}): WorkupInput => {
  const fittings = {
    b: loose(battery, within('bow-hold', 560)),
    own: loose('battery-18', within('bow-hold', 850)),
    m: through('motor-stern-45', deck(3660, 0), { mount: { hold: 'through', plate: true, reason: '' } }),
    s: onTrack('sounder-arm-7', 'fwd-port', 1450),
    ...more,
  };
  const feed = (from: string, to: string): Plan['runs'][string] => ({ from, to, lane: 'inside port', via: [], awg: null });
  const runs = Object.fromEntries(Object.keys({ m: 0, ...more }).map((id) => [id, feed('b', id)]));
  return rig(fittings, { propulsion: ['motor'] }, QUENBY, { runs: { ...runs, s: feed(sounder, 's') } });
};
const motors = Object.fromEntries(
  ['motor-bow-55', 'motor-bow-55', 'motor-stern-45', 'powered-spike'].map((part, i) => [
    `m${i}`,
    through(part, deck(3600 - 100 * i, 0)),
  ]),
);

const knobCasting = { propulsion: ['motor'], cast: 'sidearm' } satisfies Partial<Brief>;

/** One line of cases a judgement: it fires, it just does not, a fix that was tried clears it. */
const CASES: readonly JudgementCase[] = [
  {
    code: 'paddle-stroke',
    fires: rig({ a: onTrack('rod-tube-raised', 'fwd-star', 1560) }, seated),
    says: /stands \d+ mm into the paddle stroke on the starboard side/,
    not: rig({ a: onTrack('rod-tube-raised', 'aft-star', 2500) }, seated),
  },
  {
    code: 'knuckles',
    fires: rig({ a: riveted('pad-eye', deck(1850, 425)) }),
    says: /stands \d+ mm over the starboard gunwale where the hands return/,
    not: rig({ a: riveted('pad-eye', deck(2200, 415)) }),
  },
  {
    code: 'into-the-deck',
    fires: rig({ a: fitted('net-folding', deck(2010, 190), 'loose') }),
    says: /reaches \d+ mm into the gunwale/,
    not: rig({ a: fitted('net-folding', deck(2010, 190, 180), 'loose') }),
  },
  {
    code: 'back-cast',
    fires: rig({ a: onNuts('mast-light', deck(2250, 400)) }, { cast: 'sidearm' }),
    says: /stands \d+ mm into the sidearm back cast on the starboard side/,
    not: rig({ a: onNuts('mast-light', deck(2250, -400)) }, { cast: 'sidearm' }),
  },
  {
    code: 'reach',
    fires: rig({ a: onTrack('sounder-arm-7', 'fwd-port', 1190) }, { propulsion: ['motor'] }),
    says: /lies \d+ mm beyond the hand: (half turn|out of reach)/,
    not: rig({ a: onTrack('sounder-arm-7', 'fwd-port', 1600) }, { propulsion: ['motor'] }),
  },
  {
    code: 'wrong-side',
    fires: rig({ a: onTrack('throttle-arm', 'fwd-star', 1700) }, { propulsion: ['motor'], cast: 'sidearm' }),
    says: /lies \d+ mm beyond the left hand while casting, and the right has the rod/,
    not: rig({ a: onTrack('throttle-arm', 'fwd-port', 1700) }, { propulsion: ['motor'], cast: 'sidearm' }),
  },
  {
    code: 'hand-taken',
    fires: rig(
      { a: fitted('throttle-arm', { on: 'track', track: 'fwd-port', x: 1700, heading: 0 }, 'track', { hand: 'right' }) },
      { propulsion: ['motor'], cast: 'sidearm' },
    ),
    says: /finds no free hand while casting: the right has the rod/,
    not: rig(
      { a: fitted('throttle-arm', { on: 'track', track: 'fwd-port', x: 1700, heading: 0 }, 'track', { hand: 'left' }) },
      { propulsion: ['motor'], cast: 'sidearm' },
    ),
  },
  {
    code: 'two-for-one-hand',
    fires: rig(
      { a: onTrack('throttle-arm', 'fwd-port', 1760), b: onTrack('steering-kit', 'fwd-port', 1630) },
      { propulsion: ['motor'] },
    ),
    says: /both want the left hand while motoring/,
    not: rig(
      { a: onTrack('throttle-arm', 'fwd-port', 1760), b: onTrack('steering-kit', 'fwd-star', 1630) },
      { propulsion: ['motor'] },
    ),
  },
  {
    code: 'let-go',
    fires: rig(
      { a: onTrack('throttle-arm', 'fwd-port', 1700), b: through('kill-switch', deck(1760, -360)) },
      { propulsion: ['motor'] },
    ),
    says: /Throttle on an arm has to be let go of for Kill switch/,
    not: rig(
      { a: onTrack('throttle-arm', 'fwd-port', 1700), b: through('kill-switch', deck(1760, 360)) },
      { propulsion: ['motor'] },
    ),
  },
  {
    code: 'across-rod',
    fires: rig({ ...quenbyMotor, a: riveted('rudder-knob', deck(QUENBY.seat.x - 100, 80)) }, knobCasting, QUENBY),
    says: /The left hand reaches Rudder knob across the rod in hand while casting/,
    not: rig({ ...quenbyMotor, a: riveted('rudder-knob', deck(QUENBY.seat.x - 100, 50)) }, knobCasting, QUENBY),
  },
  {
    code: 'landing-side',
    fires: rig({ a: onTrack('sampler-socket', 'fwd-star', 1600) }, { work: ['survey'], propulsion: ['pedals'] }),
    says: /stands \d+ mm over the starboard gunwale where things come aboard/,
    not: rig({ a: onTrack('sampler-socket', 'fwd-port', 1600) }, { work: ['survey'], propulsion: ['pedals'] }),
  },
  {
    code: 'standing-room',
    fires: rig({ a: loose('cooler-20', deck(1800, 0)) }, { stands: 'stands' }, ORRISK),
    says: /clear deck to stand on is \d+ mm by \d+ mm; 500 mm both ways wanted/,
    not: rig({ a: loose('dog-mat', deck(1800, 0)) }, { stands: 'stands' }, QUENBY),
    fix: false,
  },
  {
    code: 'overlap',
    fires: rig({ a: loose('tackle-box', deck(1300, 0)), b: loose('first-aid', deck(1500, 0)) }),
    says: /First-aid box stands in the place of A, Tackle box.*, by 40 mm/,
    not: rig({ a: loose('tackle-box', deck(1300, 0)), b: loose('first-aid', deck(1541, 0)) }),
  },
  {
    code: 'fits-its-place',
    fires: rig({ a: loose('crate-wide', deck(2980, 0)), b: onTrack('cross-bar', 'aft-port', 2900) }, {}, ORRISK),
    // Common practice, no source: a 16 × 16 in crate is too wide for many wells where a 13 × 16 drops in. The Orrisk's is 370 mm.
    says: /Crate, open, 16 × 16 stands 18 mm into the rim of the tank well/,
    not: rig({ a: loose('crate-open', deck(2980, 0)) }, {}, ORRISK),
  },
  {
    code: 'swings',
    // The lid of the foredeck hatch opens forward past the upright: 78 mm at its top.
    fires: rig({ a: through('camera-pole-short', deck(395, 0), { often: 'stopped' }) }),
    says: /Camera pole, short, bow stands \d+ mm in the way of the lid of the foredeck hatch/,
    not: rig({ a: through('camera-pole-short', deck(262, 0)) }),
  },
  {
    code: 'strut',
    fires: rig({
      a: through('camera-pole-short', deck(600, 0)),
      b: loose('tackle-box', deck(700, 0)),
      c: loose('cooler-soft', deck(750, 0)),
      d: loose('first-aid', deck(560, 40)),
    }),
    says: /lid of the foredeck hatch carries .* kg; its strut still lifts 3(\.0)? kg/,
    not: rig({ a: through('camera-pole-short', deck(600, 0)) }),
    fix: false,
  },
  {
    code: 'rod-butt',
    fires: rig(
      { a: fitted('rod-tube-troll', { on: 'side', side: 'port', x: 2400, down: 230 }, 'through') },
      { propulsion: ['paddle', 'pedals'], work: ['rods'] },
    ),
    says: /hang \d+ mm under the waterline/,
    not: rig({ a: onTrack('rod-tube-troll', 'aft-port', 2400) }),
  },
  {
    code: 'shallow-tube',
    fires: inputOf({ a: onTrack('rod-tube-raised', 'aft-star', 2500) }, {}, []),
    says: /are 240 mm deep; 264 mm wanted/,
    not: rig({ a: onTrack('rod-tube-raised', 'aft-star', 2500) }),
    fix: false,
  },
  {
    code: 'rods-cross',
    fires: rig({ a: onTrack('rod-tube-track', 'aft-star', 2400), b: onTrack('rod-tube-track', 'aft-star', 2450, 0) }),
    says: /pass \d+ mm from those in A/,
    not: rig({ a: onTrack('rod-tube-track', 'aft-star', 2400), b: onTrack('rod-tube-track', 'aft-port', 2400) }),
  },
  {
    code: 'rod-tips',
    fires: rig({ a: onTrack('rod-tube-troll', 'aft-port', 2500) }),
    says: /stand \d+ mm beyond the beam on the port side/,
    not: rig({ a: onTrack('rod-tube-raised', 'aft-port', 2500) }),
  },
  {
    code: 'transducer',
    fires: rig({ a: { ...onTrack('transducer-arm', 'aft-port', 2600), lift: 120, often: 'stopped' } }),
    says: /shadows the far side beam of Transducer arm, swinging down to \d+° under level/,
    not: rig({ a: onTrack('transducer-arm', 'aft-port', 2600) }),
  },
  {
    code: 'lens-path',
    fires: rig({ a: through('camera-pole-short', deck(2620, 0, 180)) }, {}, QUENBY),
    says: /of the 84° Camera pole, short, bow sees are hidden by paddler/,
    // One ahead of the paddler films them.
    not: rig({ a: through('camera-pole-short', deck(950, 0)) }, {}, QUENBY),
  },
  {
    code: 'light-hidden',
    fires: rig({ a: onTrack('light-clip', 'aft-port', 2600) }, { stature: 1950, seat: 'high' }),
    says: /hidden over \d+(\.\d)?° by paddler/,
    not: rig({ a: onTrack('mast-light', 'aft-port', 2600) }, seated),
  },
  {
    code: 'sidelight-hidden',
    fires: rig({ a: through('sidelight-port', deck(900, -140)), b: through('camera-pole-short', deck(700, -150)) }),
    says: /hidden over .*° of its 112.5° by A, Camera pole/,
    not: rig({ a: through('sidelight-port', deck(700, -150)), b: through('camera-pole-short', deck(900, -140)) }),
    fix: false,
  },
  {
    code: 'light-low',
    fires: rig({ a: through('side-lights', deck(265, 0)), b: onTrack('light-clip', 'aft-port', 2600) }),
    says: /stands \d+ mm too low over the sidelights/,
    not: rig({ a: through('side-lights', deck(265, 0)), b: onTrack('mast-light', 'aft-port', 2600) }),
  },
  {
    code: 'no-white-light',
    fires: rig({ a: loose('light-clip', deck(2600, 0), { sets: ['day'] }) }, night, TOLVANE, {
      sets: { day: { name: 'day', order: 1 }, tour: { name: 'night tour', order: 2 } },
    }),
    says: /No white light aboard/,
    not: rig({ a: loose('light-clip', deck(2600, 0)) }, night),
  },
  {
    code: 'too-many-rods',
    // Common practice, no source: two or three rods on a light boat.
    fires: rig({}, { rods: 4 }, BRACKWEN),
    says: /4 rods; this hull carries 3 comfortably/,
    not: rig({}, { rods: 3 }, BRACKWEN),
    fix: false,
  },
  {
    code: 'used-up',
    fires: rig({ a: loose('flag-rod', deck(2700, 0)) }),
    says: /Rod sockets: 1 wanted, none aboard/,
    not: rig({ a: loose('flag-rod', deck(2700, 0)), b: onTrack('rod-tube-raised', 'aft-star', 2500) }),
    fix: false,
  },
  {
    code: 'leans',
    fires: rig({ a: loose('anchor-3', deck(2700, 200)), b: onTrack('downrigger', 'aft-star', 2500) }),
    says: /Gear weighs to starboard: as if .* kg stood on that gunwale/,
    not: rig({ a: loose('anchor-3', deck(2700, -230)), b: onTrack('rod-tube-raised', 'aft-star', 2500) }),
  },
  {
    code: 'stern-heavy',
    fires: rig({ a: loose('battery-80', deck(2900, 0)) }, { weightKg: 60 }, NO_DRIVE),
    says: /^The stern floats \d+ mm deeper than the bow: 1\.9°, and 1\.5° is let pass\.$/,
    not: rig({ a: loose('battery-80', deck(2150, 300)) }, { weightKg: 60 }),
  },
  {
    code: 'bow-heavy',
    fires: rig({ a: loose('battery-80', deck(500, 0)), b: loose('battery-80', deck(850, 0)) }, { weightKg: 50 }),
    says: /^The bow floats \d+ mm deeper than the stern/,
    not: rig({ a: loose('battery-80', deck(900, 0)) }, { weightKg: 70 }),
  },
  {
    // As loaded beyond its rating the floor of the demo hull is under water; at its rating it is dry.
    code: 'wet-floor',
    fires: rig({ a: loose('battery-100', deck(2600, 0)), b: loose('battery-100', deck(2900, 0)) }, { weightKg: 150 }, NO_DRIVE),
    says: /^Water stands \d+ mm over the after end of the cockpit/,
    not: rig({ a: loose('battery-80', deck(1400, 0)) }, { weightKg: 150 }),
  },
  {
    code: 'handle-drags',
    fires: rig(
      { a: loose('battery-80', deck(2700, 0)), b: loose('battery-80', deck(2950, 0)) },
      { weightKg: 70 },
      {
        ...TOLVANE,
        handles: [{ id: 'toggle', name: 'stern toggle', x: 3560, height: 170 }],
      },
    ),
    says: /^The stern toggle hangs \d+ mm in the water/,
    not: rig({}, { weightKg: 70 }),
    fix: false,
  },
  {
    code: 'cannot-float',
    fires: rig({}, { weightKg: 250, second: { stature: 1800, weightKg: 250 } }, BRACKWEN),
    says: /the hull does not carry that|goes under before/,
    not: rig({}, { weightKg: 110 }, BRACKWEN),
    fix: false,
  },
  {
    code: 'paddle-short',
    fires: rig({}, { paddle: 2100, seat: 'high' }, QUENBY),
    says: /is short for this beam and seat: 2\.\d+ m would do/,
    not: rig({}, { paddle: 2300 }, BRACKWEN),
  },
  {
    code: 'roof-lift',
    // Common practice, no source: 45 lb to a roof alone is easy.
    fires: rig({}, { lifts: 'alone' }),
    says: /weigh 31.* kg; one person lifts 20.* kg/,
    not: rig({}, { lifts: 'alone' }, BRACKWEN),
  },
  {
    code: 'road-height',
    fires: rig({ a: through('powered-spike', deck(3250, 0)) }),
    says: /stays on for the road and stands \d+ mm over the gunwale/,
    not: rig({ a: through('powered-spike', deck(3250, 0)) }, { road: 'trailer' }),
    fix: false,
  },
  {
    code: 'tether-short',
    fires: rig({ a: loose('anchor-3', deck(2700, 0), shortTether) }),
    says: /is 400 mm too short to use it/,
    not: rig({ a: loose('anchor-3', deck(2700, 0), { tether: { to: null, length: 700 } }) }),
  },
  {
    code: 'tether-propeller',
    fires: rig({ ...quenbyMotor, a: loose('anchor-3', deck(3200, 0), { tether: { to: null, length: 900 } }) }, {}, QUENBY),
    says: /reaches \d+ mm past the propeller of/,
    not: rig({ ...quenbyMotor, a: loose('anchor-3', deck(2700, 0), { tether: { to: null, length: 700 } }) }, {}, QUENBY),
  },
  {
    code: 'scupper-covered',
    fires: rig({ a: loose('dry-box', deck(2660, 100)) }),
    says: /stands on the starboard scupper/,
    not: rig({ a: loose('dry-box', deck(2850, 0)) }),
  },
  {
    code: 'no-drain',
    fires: rig({}, {}, TOLVANE, { scuppers: { 'scup-3': 'plugged', 'scup-4': 'plugged' } }),
    says: /Nothing drains the tank well: 2 of 2 scuppers/,
    not: rig({}, {}, TOLVANE, { scuppers: { 'scup-3': 'plugged' } }),
  },
  {
    code: 'getting-back',
    fires: rig({
      a: loose('flip-line', deck(2000, 300)),
      b: onTrack('rod-tube-raised', 'fwd-star', 1635),
      c: through('powered-spike', deck(2150, 380)),
    }),
    says: /stands \d+ mm over the starboard gunwale where a swimmer would come back on/,
    not: rig({ a: loose('flip-line', deck(2000, 300)) }),
  },
  {
    code: 'no-way-back',
    fires: rig({ a: loose('crate-open', deck(2700, 0)) }, { waters: ['offshore'] }),
    says: /Nothing aboard to get back on by/,
    not: rig({ a: loose('crate-open', deck(2700, 0)) }, { waters: ['pond'] }),
  },
  {
    code: 'sinks',
    fires: rig({ a: loose('lure-tray', deck(2700, 0)) }),
    says: /Lure tray sinks and is not tied/,
    not: rig({ a: loose('lure-tray', deck(2700, 0), { float: true }) }),
  },
  {
    code: 'no-back-up',
    fires: rig({}, { propulsion: ['motor'] }),
    says: /No spare paddle aboard/,
    not: rig({ a: loose('spare-paddle', deck(1500, -250)) }, { propulsion: ['motor'] }),
    fix: false,
  },
  {
    code: 'no-propulsion',
    fires: rig({}, { propulsion: ['pedals'] }, BRACKWEN),
    says: /says pedals; Brackwen 104 has no pedal drive/,
    not: rig({}, { propulsion: ['pedals'] }, TOLVANE),
    fix: false,
  },
  {
    code: 'little-rating-left',
    // The rating is 178 kg: 17.8 kg left is enough, a little less is said.
    fires: rig({}, { weightKg: 160.3 }),
    says: /rated for 178 kg: with the paddlers aboard 18 kg is left for gear/,
    not: rig({}, { weightKg: 160.2 }),
    fix: false,
  },
  {
    code: 'back-up-reach',
    fires: rig({ a: loose('drive-spare', deck(600, 0), { float: true }) }, { propulsion: ['pedals'], backUp: ['pedals'] }),
    says: /lies \d+ mm beyond the hand: it cannot be changed afloat/,
    not: rig({ a: loose('drive-spare', deck(1700, 0), { float: true }) }, { propulsion: ['pedals'], backUp: ['pedals'] }),
    // From the foredeck into the cockpit: another place, not a slide.
    fix: false,
  },
  {
    code: 'screen-angle',
    fires: rig({ a: onTrack('sounder-arm-7', 'fwd-port', 1600, 90) }, { propulsion: ['motor'] }),
    says: /is read at \d+° off its face; 55° can still be read/,
    not: rig({ a: onTrack('sounder-arm-7', 'fwd-port', 1600) }, { propulsion: ['motor'] }),
  },
  {
    code: 'heat',
    fires: rig({ a: through('camera-pole-short', deck(1000, 0)) }),
    says: /Nothing shades Camera pole, short, bow/,
    not: rig({ a: through('camera-pole-short', deck(1000, 0)), b: loose('camera-hood', deck(1000, 0)) }),
    fix: false,
  },
  {
    code: 'legs',
    fires: rig({}, { stature: 1250 }, BRACKWEN),
    says: /The nearest pegs are \d+ mm too far for these legs/,
    not: rig({}, { stature: 1700 }, BRACKWEN),
    fix: false,
  },
  {
    code: 'second-seat',
    fires: rig({}, { second: { stature: 1500, weightKg: 50 } }),
    says: /two paddlers; this hull has one seat/,
    not: rig({}, { second: { stature: 1400, weightKg: 40 } }, PELLIN),
    fix: false,
  },
  {
    code: 'strokes-meet',
    fires: rig({}, { second: { stature: 1800, weightKg: 80 } }, PELLIN),
    says: /seats are \d+ mm too near for two strokes/,
    not: rig({}, { second: { stature: 1400, weightKg: 40 } }, PELLIN),
    fix: false,
  },
  {
    code: 'does-not-join',
    fires: rig(
      { a: onTrack('base-track-38', 'fwd-port', 1600), b: loose('arm-25-short', on('a', 0)) },
      { propulsion: ['motor'] },
    ),
    says: /Arm, short, 25 mm balls does not join Ball base, track, 38 mm: it wants a 25 mm ball, there is a 38 mm ball/,
    not: rig({ a: onTrack('base-track-25', 'fwd-port', 1600), b: loose('arm-25-short', on('a', 0)) }, { propulsion: ['motor'] }),
  },
  {
    code: 'needs',
    fires: rig(quenbyMotor, {}, QUENBY),
    says: /Stern motor, 45 lb needs a switch, and none is aboard/,
    not: rig({ ...quenbyMotor, k: through('kill-switch', deck(2600, 200)) }, {}, QUENBY),
    fix: false,
  },
  {
    code: 'excludes',
    fires: rig({ a: through('rudder-kit', deck(3700, 0)), b: through('foot-pegs', deck(1500, 300)) }, {}, ORRISK),
    says: /Rudder kit rules out A, Foot pegs/,
    not: rig({ a: through('rudder-kit', deck(3700, 0)) }, {}, ORRISK),
  },
  {
    code: 'stands-into',
    fires: rig({ b: fitted('battery-30', within('bow-hold', 840), 'strap') }),
    says: /Battery 30 Ah, lithium stands 38 mm into the end of the bow hold/,
    not: rig({ b: fitted('battery-30', within('bow-hold', 802), 'strap') }),
  },
  {
    code: 'does-not-pass',
    fires: rig({ b: loose('battery-30', within('stern-hold', 2800)) }),
    says: /does not pass the tank-well hatch: \d+ mm too big, whichever way it is turned/,
    not: rig({ b: fitted('battery-30', within('bow-hold', 655), 'strap') }),
  },
  {
    code: 'slides',
    fires: rig({ b: loose('battery-30', within('bow-hold', 655)) }),
    says: /slides \d+ mm \w+( \w+)? in the bow hold, up against/,
    not: rig({ b: fitted('battery-30', within('bow-hold', 655), 'strap') }),
  },
  {
    code: 'out-of-hand',
    fires: rig({ b: loose('battery-18', within('stern-hold', 2860, 250)) }, {}, QUENBY),
    says: /No hand gets to the plug of Battery 18 Ah, lithium in the stern hold/,
    not: rig({ b: loose('battery-18', within('stern-hold', 3440)) }, {}, QUENBY),
  },
  {
    code: 'under-things',
    fires: rig(
      { f: fitted('fuse-block-6', within('stern-hold', 3530), 'strap'), c: loose('dry-box', deck(3530, 0)) },
      {},
      ORRISK,
    ),
    says: /To get to the reset of Fuse block, six, .*Dry box.* has to come off the stern hatch/,
    not: rig({ f: fitted('fuse-block-6', within('stern-hold', 3530), 'strap'), c: loose('dry-box', deck(3000, 0)) }, {}, ORRISK),
  },
  {
    code: 'unvented',
    fires: rig({ b: fitted('battery-80', within('bow-hold', 655), 'strap') }),
    says: /Motor battery 80 Ah gives off gas when it is charged, and the bow hold is shut/,
    not: rig({ b: fitted('battery-100', within('bow-hold', 655), 'strap') }),
    fix: false,
  },
  {
    code: 'overfull',
    fires: rig({}, {}, TOLVANE, {
      stowage: { s: { in: 'seat-well', what: 'rain gear', kg: 1, litres: 9, wantsDry: false, use: 'stopped', later: false } },
    }),
    says: /well under the seat holds 3.9 litres; 9 are put in it/,
    not: rig({}, {}, TOLVANE, {
      stowage: { s: { in: 'seat-well', what: 'rain gear', kg: 1, litres: 3.9, wantsDry: false, use: 'stopped', later: false } },
    }),
    fix: false,
  },
  {
    code: 'sags',
    fires: powered('battery-30', 'b'),
    says: /gets 10\.\d V with all of [A-Z] on, the battery low and cold; it works down to 10\.8 V/,
    not: powered('battery-50', 'b'),
  },
  {
    code: 'shared-with-motor',
    fires: powered('battery-80', 'b'),
    says: /is fed from [A-Z], which turns the motor/,
    not: powered('battery-80', 'own'),
  },
  {
    code: 'over-battery',
    fires: powered('battery-30', 'own'),
    says: /gives 30 A at the most; what hangs on it takes 42\.0 A/,
    not: powered('battery-50', 'own'),
    fix: false,
  },
  {
    code: 'battery-fails',
    fires: powered('battery-spare', 'b', motors),
    says: /cannot feed all that hangs on it at once/,
    not: powered('battery-100', 'b', motors),
    fix: false,
  },
  {
    code: 'kept-apart',
    fires: rig({ c: loose('cooler-20', deck(2700, 0)) }, {}, TOLVANE, {
      stowage: {
        a: { in: 'bow-hold', what: 'spare clothes', kg: 1, litres: 6, wantsDry: true, use: 'ashore', later: false },
        b: { in: 'bow-hold', what: 'bait', kg: 1, litres: 2, wantsDry: false, use: 'hourly', later: false, is: ['wet'] },
      },
    }),
    says: /spare clothes: wants to be dry, and bait beside it in bow hold is wet/,
    not: rig({ c: loose('cooler-20', deck(2700, 0)) }, {}, TOLVANE, {
      stowage: {
        a: { in: 'bow-hold', what: 'spare clothes', kg: 1, litres: 6, wantsDry: true, use: 'ashore', later: false },
        b: { of: 'c', in: 'cooler', what: 'bait', kg: 1, litres: 2, wantsDry: false, use: 'hourly', later: false, is: ['wet'] },
      },
    }),
  },
  {
    code: 'gets-wet',
    fires: rig({}, {}, TOLVANE, {
      stowage: { s: { in: 'stern-hold', what: 'sleeping bag', kg: 1, litres: 9, wantsDry: true, use: 'ashore', later: false } },
    }),
    says: /sleeping bag wants to be dry; stern hold is damp/,
    not: rig({}, {}, TOLVANE, {
      stowage: { s: { in: 'bow-hold', what: 'sleeping bag', kg: 1, litres: 9, wantsDry: true, use: 'ashore', later: false } },
    }),
  },
];

/** Shallow tubes are the shop's judgement: a shop that asks for more of the handle. */
const DEEPER = { ...SHOP, limits: { ...SHOP.limits, tubeDeep: 0.8 } };
const firing = (c: JudgementCase): WorkupInput => (c.code === 'shallow-tube' ? { ...c.fires, shop: DEEPER } : c.fires);

describe('judgements', () => {
  judgeCases(CASES.map((c) => ({ ...c, fires: firing(c) })));

  it('a pole whose ends hang over both gunwales crosses the lap, and is not taken for hardware along one of them', () =>
    expect(words(rig({ a: fitted('stake-pole', deck(2160, -160, 44), 'loose') }, seated, QUENBY), 'paddle-stroke')).toMatch(
      /stands \d+ mm into the paddle stroke on the port side/,
    ));

  it('every code of the list above is told apart from the others', () =>
    expect(new Set(CASES.map((c) => c.code)).size).toBe(CASES.length));
});

describe('cases from the trade (common practice, no source)', () => {
  it('what stands on a thing inside goes in by the same opening', () => {
    const stacked = (room: string, x: number) =>
      rig({ a: fitted('battery-box', within(room, x), 'strap'), b: loose('battery-30', on('a', 0)) });
    const stuck = (input: WorkupInput) =>
      workUp(input)
        .findings.filter((f) => f.code === 'does-not-pass')
        .map((f) => f.where);
    expect(stuck(stacked('stern-hold', 2800)).sort()).toEqual(['a', 'b']);
    expect(stuck(stacked('bow-hold', 655))).toEqual([]);
  });

  it('how often a thing is used, and whether it comes off for the road, is the rig’s to say', () => {
    const clip = (more: Partial<Fitting>) =>
      rig({ a: riveted('gaff-clip', deck(700, 120)), b: { ...riveted('gaff-clip', deck(700, -120)), ...more } });
    const where = (input: WorkupInput, code: FindingCode) =>
      workUp(input)
        .findings.filter((f) => f.code === code)
        .map((f) => f.where);
    expect(where(clip({}), 'reach')).toEqual(['b', 'a'].sort());
    expect(where(clip({ often: 'ashore' }), 'reach')).toEqual(['a']);
    expect(where(clip({ often: 'stopped' }), 'reach')).toEqual(['a']);
    // What it weighs on a roof and what it stands in do not follow from how often it is touched.
    const tube = (often?: Fitting['often']) => rig({ a: { ...onTrack('rod-tube-raised', 'fwd-star', 1560), often } }, seated);
    expect(found(tube('ashore'), 'paddle-stroke')?.severity).toBe(found(tube(), 'paddle-stroke')?.severity);
    const heavy = (comesOff?: boolean) =>
      rig({ b: { ...fitted('battery-80', within('bow-hold', 655), 'strap'), comesOff } }, { road: 'roof', lifts: 'alone' });
    expect(found(heavy(), 'roof-lift')).toBeDefined();
    expect(found(heavy(true), 'roof-lift')?.says).not.toEqual(found(heavy(false), 'roof-lift')?.says);
  });

  it('a net straight behind the casting shoulder is clear of a sidearm cast', () => {
    const net = (y: number) => rig({ n: through('net-socket', deck(2650, y)) }, { cast: 'sidearm', stature: 1778 });
    expect(found(net(0.129 * 1778), 'back-cast')).toBeUndefined();
  });

  it('raised tubes clear the stroke that low ones foul', () => {
    const at = (lift: number) => rig({ a: { ...through('rod-park', deck(1500, 330)), lift } });
    expect(found(at(0), 'paddle-stroke')?.severity).toBe('stop');
    const raised = [400, 600, 800, 1000].find((lift) => !found(at(lift), 'paddle-stroke'));
    // The riser's own post stays in the way: what is raised must be raised off the stroke's side.
    expect(raised === undefined || raised > 0).toBeTrue();
  });

  it('a lid is blocked by what hangs over it, and opens with tubes hung off the back of the crate', () => {
    const over = (part: string, u: number) => rig({ a: loose('crate-tight', deck(2650, 0)), b: loose(part, on('a', u)) });
    expect(workUp(over('rod-tubes-crate-4', 258)).findings.filter((f) => f.code === 'swings')).toEqual([]);
    const umbrella = rig({ a: loose('crate-tight', deck(2650, 0)), u: through('umbrella-socket', deck(2300, 0)) });
    expect(workUp(umbrella).findings.filter((f) => f.code === 'swings')).toEqual([]);
    const low = rig({ a: { ...loose('crate-tight', deck(2650, 0)), lift: 300 }, u: through('umbrella-socket', deck(2300, 0)) });
    expect(workUp(low).findings.map((f) => f.code)).toContain('swings');
  });

  it('one rod parked in reach is let stand where pedals drive the boat', () => {
    const park = (propulsion: Brief['propulsion']) => rig({ a: onTrack('rod-park', 'fwd-star', 1635) }, { propulsion });
    expect(found(park(['paddle']), 'paddle-stroke')).toBeDefined();
    expect(found(park(['paddle', 'pedals']), 'paddle-stroke')).toBeUndefined();
  });
});

describe('rods', () => {
  it('4 + 3 rod places less a flag and a net leave five (common practice, no source)', () => {
    const tubes = Object.fromEntries([
      ...[2380, 2480, 2580, 2680].map((x, i) => [`r${i}`, onTrack('rod-tube-raised', 'aft-star', x)] as const),
      ...[2380, 2500, 2620].map((x, i) => [`p${i}`, onTrack('rod-tube-track', 'aft-port', x)] as const),
    ]);
    const items = workUp(rig({ ...tubes, f: loose('flag-rod', on('r0', 0)), n: loose('net-tube', on('p0', 0)) })).aboard.items;
    expect(rodsCarried(items)).toBe(5);
    expect(found(rig(tubes), 'too-many-rods')).toBeDefined();
    expect(
      found(rig({ ...tubes, f: loose('flag-rod', on('r0', 0)), n: loose('net-tube', on('p0', 0)) }), 'too-many-rods'),
    ).toBeUndefined();
  });
});

describe('sets', () => {
  const sets = { day: { name: 'all-day', order: 1 }, troll: { name: 'trolling', order: 2 } };
  const two = (fittings: Plan['fittings']): WorkupInput => rig(fittings, {}, TOLVANE, { sets });

  it('clearances are judged set by set, and what is wrong in one names it', () => {
    const a = loose('dry-box', deck(2700, 0), { sets: ['day'] });
    expect(found(two({ a, b: loose('first-aid', deck(2750, 0), { sets: ['troll'] }) }), 'overlap')).toBeUndefined();
    const both = found(two({ a, b: loose('first-aid', deck(2750, 0)) }), 'overlap');
    expect(both?.sets).toEqual(['day']);
    expect(found(two({ a: { ...a, sets: undefined }, b: loose('first-aid', deck(2750, 0)) }), 'overlap')?.sets).toBeNull();
  });

  it('a fitting may stand elsewhere in another set: holes are the union, price is counted once', () => {
    const eye = through('pad-eye', deck(3300, 0), { elsewhere: { troll: deck(3200, 60) } });
    const w = workUp(two({ e: eye }));
    expect(w.drilling.holes.map((h) => h.label).sort()).toEqual(['A1', 'A2', 'A3', 'A4']);
    expect(new Set(w.drilling.holes.map((h) => h.id)).size).toBe(4);
    expect(w.price.lines.filter((l) => l.fitting === 'e').length).toBe(1);
    const shown = workUp({ ...two({ e: eye }), set: 'troll' });
    expect(shown.aboard.items[0]?.placed.frame.origin.x).toBe(3200);
    expect(shown.price.totals).toEqual(w.price.totals);
  });

  it('what stands on a crate goes with it into the set that has the crate elsewhere', () => {
    const crate = loose('crate-tight', deck(2700, 0), { elsewhere: { troll: deck(2860, 0) } });
    const w = workUp({ ...two({ c: crate, t: loose('rod-tubes-crate-2', on('c', 233)) }), set: 'troll' });
    expect(w.aboard.items.find((i) => i.placed.id === 't')?.placed.frame.origin.x).toBeCloseTo(2860 + 233, 0);
  });

  it('between sets only bolted bases collide; a shared plate lets them swap, but not both at once', () => {
    const spike = (more: Partial<Fitting>): Fitting => through('powered-spike', deck(3250, 0), more);
    const reel = (more: Partial<Fitting>): Fitting => through('anchor-reel', deck(3260, 0), more);
    const apart = two({ a: spike({ sets: ['day'] }), b: reel({ sets: ['troll'] }) });
    const clash = found(apart, 'overlap-between-sets');
    expect(clash?.severity).toBe('stop');
    const fixes = clash ? searchFixes(apart, clash, search) : [];
    expect(fixes.map((c) => tell(c.says, 'metric'))).toContain('Let them swap on one plate');
    expect(
      found(
        two({ a: spike({ sets: ['day'] }), b: loose('dry-box', deck(3260, 0), { sets: ['troll'] }) }),
        'overlap-between-sets',
      ),
    ).toBeUndefined();
    expect(found(two({ a: spike({ swap: 'p' }), b: reel({ swap: 'p' }) }), 'swapped-together')?.acceptable).toBe('nobody');
  });

  it('weight and balance are those of the set shown', () => {
    const input = two({ a: loose('battery-80', deck(2700, 0), { sets: ['day'] }) });
    expect(workUp({ ...input, set: 'day' }).weight.gearKg).toBeCloseTo(25.855, 3);
    expect(workUp({ ...input, set: 'troll' }).weight.gearKg).toBe(0);
  });

  it('a thing on one that is not aboard in this set is said, and nobody may accept it', () => {
    const input = two({ a: loose('crate-open', deck(2700, 0), { sets: ['day'] }), b: loose('rod-tubes-crate-2', on('a', 230)) });
    const f = found(input, 'stands-on-nothing');
    expect([f?.sets, f?.acceptable]).toEqual([['troll'], 'nobody']);
  });
});

describe('event rules', () => {
  const rules = [
    {
      id: 'night-paddle',
      name: 'Night paddle',
      rules: [
        { rule: 'aboard' as const, what: 'signal', reach: 'anywhere' as const, says: 'A whistle or horn is carried' },
        { rule: 'aboard' as const, what: 'jacket', reach: 'at hand' as const, says: 'The life jacket is worn' },
        { rule: 'white light' as const, says: 'A white light before sunrise' },
        { rule: 'most rods' as const, count: 1, says: 'One trolled rod' },
      ],
    },
  ];
  const ruled = (fittings: Plan['fittings'], stowage: Plan['stowage'] = {}): Finding[] =>
    workUp({ ...rig(fittings, { rules: ['night-paddle'] }, TOLVANE, { stowage }), shop: { ...SHOP, rules } }).findings.filter(
      (f) => f.code === 'event-rule',
    );

  it('name the list, the rule and why it is not kept', () => {
    const all = ruled({ a: onTrack('rod-tube-raised', 'aft-star', 2400), b: onTrack('rod-tube-raised', 'aft-star', 2700) });
    expect(all.map((f) => tell(f.because, 'metric'))).toEqual([
      'Rule 1 of the list; no signal aboard.',
      'Rule 2 of the list; no jacket aboard.',
      'Rule 3 of the list; no all-round white light aboard.',
      'Rule 4 of the list; 2 rods aboard, 1 allowed.',
    ]);
  });

  it('are kept by what is aboard, what is worn and what is in reach', () => {
    const kept = ruled(
      {
        l: onTrack('mast-light', 'aft-port', 2600),
        j: loose('jacket-slim', deck(1950, 0)),
      },
      {
        w: {
          of: 'j',
          in: 'pocket',
          what: 'whistle (signal)',
          kg: 0.02,
          litres: 0.05,
          wantsDry: false,
          use: 'always',
          later: false,
        },
      },
    );
    expect(kept).toEqual([]);
    expect(
      ruled({
        l: onTrack('mast-light', 'aft-port', 2600),
        j: loose('jacket-slim', deck(600, 0)),
        s: loose('whistle', deck(2000, 0)),
      }).length,
    ).toBe(1);
  });
});
