/** Who may accept a finding with a reason: what nobody may does not hold, float or feed. */
export type Acceptable = 'anyone' | 'manager' | 'nobody';

/** Every finding there is, and who may accept it: a new one is a line here. */
const FINDINGS = {
  'across-a-lid': 'anyone',
  'across-a-step': 'anyone',
  'across-a-track': 'anyone',
  'back-cast': 'anyone',
  'back-up-reach': 'anyone',
  'base-rocks': 'anyone',
  'body-not-kept': 'anyone',
  'bow-heavy': 'anyone',
  'cannot-float': 'nobody',
  'cannot-hold': 'nobody',
  'does-not-join': 'nobody',
  'does-not-pass': 'nobody',
  'drill-policy': 'anyone',
  'drilled-elsewhere': 'anyone',
  'event-rule': 'anyone',
  excludes: 'anyone',
  'fabric-drilled': 'nobody',
  'fits-its-place': 'anyone',
  'gets-wet': 'anyone',
  'getting-back': 'anyone',
  glare: 'anyone',
  'half-carried': 'anyone',
  'handle-drags': 'anyone',
  'hangs-over': 'anyone',
  heat: 'anyone',
  'hole-at-edge': 'anyone',
  'hole-near-hazard': 'anyone',
  'hole-under-water': 'manager',
  'holes-close': 'anyone',
  'hull-off': 'nobody',
  knuckles: 'anyone',
  'landing-side': 'anyone',
  'late-part': 'anyone',
  leans: 'anyone',
  legs: 'anyone',
  'lens-path': 'anyone',
  'light-hidden': 'anyone',
  'light-low': 'anyone',
  'little-rating-left': 'anyone',
  'measured-twice': 'anyone',
  'mixed-metals': 'anyone',
  needs: 'anyone',
  'no-back-up': 'anyone',
  'no-drain': 'anyone',
  'no-fuse': 'nobody',
  'no-propulsion': 'anyone',
  'no-way-back': 'anyone',
  'no-white-light': 'anyone',
  'not-fed': 'anyone',
  'nothing-reaches': 'anyone',
  'off-hull': 'nobody',
  'off-its-track': 'anyone',
  'on-a-lid': 'anyone',
  'open-hole': 'anyone',
  'out-of-hand': 'anyone',
  overfull: 'anyone',
  overlap: 'anyone',
  'overlap-between-sets': 'anyone',
  overloaded: 'nobody',
  'paddle-short': 'anyone',
  'paddle-stroke': 'anyone',
  'plate-blocked': 'anyone',
  'plate-notched': 'anyone',
  reach: 'anyone',
  'reads-alike': 'anyone',
  replaced: 'anyone',
  'reused-hole': 'anyone',
  'road-height': 'anyone',
  'rod-butt': 'anyone',
  'rod-tips': 'anyone',
  'rods-cross': 'anyone',
  'roof-lift': 'anyone',
  'screen-angle': 'anyone',
  'scupper-covered': 'anyone',
  'second-seat': 'anyone',
  'shallow-tube': 'anyone',
  'sidelight-hidden': 'anyone',
  sinks: 'anyone',
  slides: 'anyone',
  'standing-room': 'anyone',
  'stands-into': 'nobody',
  'stands-on-nothing': 'nobody',
  'stern-heavy': 'anyone',
  'strokes-meet': 'anyone',
  strut: 'anyone',
  'swapped-together': 'nobody',
  swings: 'anyone',
  'tether-propeller': 'anyone',
  'tether-short': 'anyone',
  'thin-wire': 'anyone',
  'thread-families': 'anyone',
  'too-many-rods': 'anyone',
  'track-gap': 'anyone',
  'track-slots': 'anyone',
  transducer: 'anyone',
  'under-things': 'anyone',
  unvented: 'anyone',
  'used-up': 'anyone',
  'weak-mount': 'anyone',
  'weak-track': 'anyone',
  'wet-floor': 'anyone',
  'wire-overheats': 'nobody',
  'worked-first': 'anyone',
  'wrong-source': 'nobody',
} as const satisfies Readonly<Record<string, Acceptable>>;

/** What a finding is about, whatever fitting it is found at. */
export type FindingCode = keyof typeof FINDINGS;

/** Every code of a finding. */
export const FINDING_CODES = Object.keys(FINDINGS) as readonly FindingCode[];

/** Who may accept a finding, by its code. */
export const acceptedBy = (code: FindingCode): Acceptable => FINDINGS[code];

/** Stable while the same thing is wrong in the same place. */
export const findingKey = (code: FindingCode, where: string, detail?: string): string =>
  detail ? `${code}:${where}:${detail}` : `${code}:${where}`;

/** Who may accept the finding of a key; of a key that is no finding's anybody may, for it accepts nothing. */
export const whoAccepts = (key: string): Acceptable => {
  const code = FINDING_CODES.find((one) => key.startsWith(`${one}:`));
  return code ? acceptedBy(code) : 'anyone';
};
