import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import type { PathIn } from '../rows/path-in';

type SettingPath = PathIn<ShopSettings>;

/** One setting of the shop: where it stands, how it is typed, what it is for. */
export interface Setting {
  /** Its place in the settings, as `limits.rods.usual`. */
  readonly path: SettingPath;
  readonly name: string;
  readonly kind:
    'text' | 'names' | 'length' | 'mass' | 'money' | 'yes' | 'number' | 'force' | 'carry' | 'fine' | 'warmth' | readonly string[];
  /** Unit written after a number. */
  readonly unit?: string;
  /** Share of one shown as percent. */
  readonly share?: true;
}
export interface Group {
  readonly name: string;
  readonly says: string;
  readonly settings: readonly Setting[];
}

const one = (path: SettingPath, name: string, kind: Setting['kind'], unit?: string): Setting => ({
  path,
  name,
  kind,
  ...(unit ? { unit } : {}),
});
const minutes = (path: SettingPath, name: string): Setting => one(path, name, 'number', 'min');
const share = (path: SettingPath, name: string): Setting => ({ path, name, kind: 'number', unit: '%', share: true });
const length = (path: SettingPath, name: string): Setting => one(path, name, 'length');

/** Every setting, grouped by the step that goes by it. */
export const SETTINGS: readonly Group[] = [
  {
    name: 'The shop',
    says: 'What stands on quotes and books.',
    settings: [
      one('name', 'Name', 'text'),
      one('place', 'Place', 'text'),
      one('timeZone', 'Time zone', 'text'),
      one('currency', 'Currency', 'text'),
      one('units', 'Prints in', ['imperial', 'metric']),
      one('taxPercent', 'Tax', 'number', '%'),
      one('taxOnLabor', 'Tax on labor', 'yes'),
      one('quoteDays', 'A quote stands', 'number', 'days'),
    ],
  },
  {
    name: 'Judging a layout',
    says: 'What is enough, and what is too much. Common practice or our judgement to begin with.',
    settings: [
      length('limits.standing', 'Clear square to stand in'),
      length('limits.cast', 'Hangs from a rod tip'),
      one('limits.astern', 'A sidearm cast stops short of astern', 'number', '°'),
      one('limits.rods.light', 'Rods on a light boat', 'number'),
      one('limits.rods.usual', 'Rods on a usual boat', 'number'),
      one('limits.rods.large', 'Rods on a large boat', 'number'),
      share('limits.list', 'Of the gear weight to one side'),
      one('limits.trim', 'One end may float deeper', 'number', '°'),
      share('limits.stern', 'After part of the length spoken of'),
      one('limits.lidKg', 'A hatch lid bears', 'mass'),
      one('limits.dogKg', 'A dog aboard weighs', 'mass'),
      one('limits.childKg', 'A child aboard weighs', 'mass'),
      one('limits.aloneKg', 'One person lifts', 'mass'),
      one('limits.carryKgMetres', 'One carries weight times way', 'carry'),
      one('limits.cartKg', 'A cart by scupper posts bears', 'mass'),
      one('limits.cradleKg', 'A cradle cart bears', 'mass'),
      one('limits.dearCents', 'Dear enough for a second hold', 'money'),
      share('limits.tubeDeep', 'Of a rod’s handle in its tube'),
      length('limits.handle', 'A rod’s handle'),
      one('limits.screen', 'A screen is read off its face', 'number', '°'),
      one('limits.sailing', 'A side beam needs clear under the hull', 'number', '°'),
      one('limits.pitch', 'What is stowed bears a pitch of', 'number', '°'),
      one('limits.heel', 'What is stowed bears a heel of', 'number', '°'),
      one('limits.slip', 'Friction of what lies loose, wet', 'number'),
      one('limits.handTight', 'A strap drawn by hand pulls with', 'force'),
      one('limits.tieHolds', 'A tie point holds', 'force'),
      length('stroke.paddle', 'Usual paddle'),
      length('stroke.hand', 'Clear about a hand'),
      length('stroke.shaft', 'Clear about the shaft'),
      share('stroke.body', 'Bodies differ either way'),
    ],
  },
  {
    name: 'Drilling',
    says: 'How far a hole may be off, and what it needs about it.',
    settings: [
      one('drilling.threads', 'Threads', ['inch', 'metric']),
      length('drilling.pilot', 'Pilot bit'),
      one('drilling.stepUp', 'Step up at most', 'number', '×'),
      length('drilling.hazardMargin', 'Least to what is behind'),
      length('drilling.depthBehind', 'Room behind the wall'),
      length('drilling.tape', 'The tape may be off'),
      length('drilling.hull', 'The hull may be off'),
      length('drilling.wander', 'A bit wanders'),
      length('drilling.riggerStature', 'Height of the one who reaches behind'),
      length('drilling.knownWithin', 'A boat may differ from its drawing'),
      one('drilling.agree', 'The owner agrees before the first hole', 'yes'),
      length('drilling.farFromPlan', 'A reading is asked about from'),
      length('drilling.reuseWithin', 'An old hole serves within'),
      one('drilling.barWithin', 'A printed bar may be off', 'fine'),
      one('drilling.flatWithin', 'Flattening a template may cost', 'fine'),
      one('cureHours', 'Sealant cures', 'number', 'h'),
    ],
  },
  {
    name: 'Holding',
    says: 'What a mount must bear, and what goes under it.',
    settings: [
      one('holding.shock', 'Shock on the working pull', 'number', '×'),
      one('holding.rock', 'A base may rock', 'number', '°'),
      one('holding.sealant', 'Sealant', ['neutral-cure silicone', 'marine adhesive', 'butyl tape']),
      one('holding.nut', 'Nuts', ['lock', 'plain']),
      share('holding.spares', 'Fasteners picked over the count'),
      length('holding.plate', 'Board plates are cut from'),
      one('holding.kerf', 'Saw cut', 'fine'),
      length('holding.pitch', 'Holes of a track at most apart'),
      length('holding.end', 'End holes of a track in by'),
      one('holding.heat', 'Coldest to hottest', 'warmth'),
    ],
  },
  {
    name: 'Wiring',
    says: 'The standard wires are sized by, and what the shop adds.',
    settings: [
      one('wiring.standard', 'Sized by', ['E-11', 'ISO 10133', 'ISO 13297']),
      one('wiring.series', 'Wires sold in', ['AWG', 'mm²']),
      one('wiring.dropPercent.electronics', 'Drop, electronics', 'number', '%'),
      one('wiring.dropPercent.lights', 'Drop, lights', 'number', '%'),
      one('wiring.dropPercent.motor', 'Drop, motor', 'number', '%'),
      one('wiring.dropPercent.other', 'Drop, other', 'number', '%'),
      one('wiring.dropPercent.charging', 'Drop, charging', 'number', '%'),
      one('wiring.hot', 'Rooms that get hot, with commas between', 'names'),
      one('wiring.leastAwg.motor', 'Thinnest for a motor', 'number', 'AWG'),
      one('wiring.leastAwg.other', 'Thinnest for the rest', 'number', 'AWG'),
      one('wiring.bundled', 'Bundled conductors carry less', ['at any voltage', 'from 50 V']),
      one('wiring.meter', 'The simulated bench meter counts, for a demo', 'yes'),
      one('wiring.readings', 'A circuit is tested by what a meter reads', 'yes'),
      one('wiring.checks', 'It is also rung through, run and looked at', 'yes'),
      length('wiring.loop', 'Service loop'),
      one('wiring.follows', 'Loop where something turns, of how far it goes', 'number', '×'),
      one('wiring.slackPercent', 'Slack', 'number', '%'),
      length('wiring.cutTo', 'Cut to the next'),
    ],
  },
  {
    name: 'Labor',
    says: 'Minutes the price and the days follow from.',
    settings: [
      one('labor.centsPerHour', 'An hour', 'money'),
      minutes('labor.setUpMinutes', 'Setting up'),
      minutes('labor.mount.track', 'A mount in a track'),
      minutes('labor.mount.through', 'A mount bolted through'),
      minutes('labor.mount.rivet', 'A mount riveted'),
      minutes('labor.mount.insert', 'A mount in an insert'),
      minutes('labor.mount.scupper', 'A mount in a scupper'),
      minutes('labor.mount.loose', 'A thing set in place'),
      minutes('labor.mount.strap', 'A thing strapped down'),
      minutes('labor.mount.glue', 'A mount glued'),
      minutes('labor.mount.clamp', 'A mount clamped'),
      minutes('labor.mount.screw', 'A mount on screws'),
      minutes('labor.mount.well nut', 'A mount on well nuts'),
      minutes('labor.mount.pulled plate', 'A mount on a pulled plate'),
      minutes('labor.mount.stud', 'A mount on studs'),
      minutes('labor.mount.cable tie', 'A mount on cable ties'),
      minutes('labor.mount.hook and loop', 'A mount on hook-and-loop'),
      minutes('labor.mount.magnet', 'A mount on a magnet'),
      minutes('labor.holeMinutes', 'A hole'),
      minutes('labor.plateMinutes', 'A backing plate'),
      minutes('labor.runMinutesPerMetre.inside', 'A metre of run inside'),
      minutes('labor.runMinutesPerMetre.outside', 'A metre of run outside'),
      minutes('labor.terminationMinutes', 'A termination'),
      minutes('labor.circuitTestMinutes', 'A circuit tested'),
      minutes('labor.lineMinutes', 'A line cut and led'),
      share('labor.takeOff', 'Taking a thing off, of its mounting'),
      one('labor.awkward', 'Factor where nothing reaches behind', 'number', '×'),
    ],
  },
];

type Json = Readonly<Record<string, unknown>>;

export const valueAt = (settings: ShopSettings, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at as Json)[key], settings);

/** The settings with one of them set. */
export function withValue(settings: ShopSettings, path: string, value: unknown): ShopSettings {
  const put = (at: Json, [head = '', ...rest]: readonly string[]): Json => ({
    ...at,
    [head]: rest.length ? put(at[head] as Json, rest) : value,
  });
  return put(settings as unknown as Json, path.split('.')) as unknown as ShopSettings;
}
