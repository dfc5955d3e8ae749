import type { ShopSettings } from './settings';

/** The settings by what they are about: a plan takes each group in a revision of its own. */
const GROUPS = {
  house: ['name', 'place', 'timeZone', 'currency', 'units'],
  charges: ['taxPercent', 'taxOnLabor', 'labor', 'quoteDays'],
  drilling: ['drilling'],
  holding: ['holding', 'cureHours'],
  wiring: ['wiring'],
  stroke: ['stroke'],
  limits: ['limits'],
  rules: ['rules'],
} as const satisfies Record<string, readonly (keyof ShopSettings)[]>;
export type SettingsGroup = keyof typeof GROUPS;
export const SETTINGS_GROUPS = Object.keys(GROUPS) as [SettingsGroup, ...SettingsGroup[]];

/** What each group is called in a sentence. */
export const GROUP_NAMES: Readonly<Record<SettingsGroup, string>> = {
  house: 'name, place and units',
  charges: 'charges and labor',
  drilling: 'drilling',
  holding: 'holding and curing',
  wiring: 'wiring',
  stroke: 'paddle and stroke',
  limits: 'limits',
  rules: 'event rules',
};

/** The settings of one group. */
export const groupOf = (settings: ShopSettings, group: SettingsGroup): Partial<ShopSettings> =>
  Object.fromEntries(GROUPS[group].map((field) => [field, settings[field]]));

/** Settings with one group of others. */
export const withGroup = (settings: ShopSettings, group: SettingsGroup, of: ShopSettings): ShopSettings => ({
  ...settings,
  ...groupOf(of, group),
});

/** Settings put together, each group from the revision that is given of it. The revision is the newest of them. */
export function settingsOf(revisions: Readonly<Record<SettingsGroup, ShopSettings>>): ShopSettings {
  const newest = SETTINGS_GROUPS.map((g) => revisions[g]).reduce((a, b) => (b.revision > a.revision ? b : a));
  if (SETTINGS_GROUPS.every((g) => revisions[g] === newest)) return newest;
  return SETTINGS_GROUPS.reduce((settings, group) => withGroup(settings, group, revisions[group]), newest);
}
