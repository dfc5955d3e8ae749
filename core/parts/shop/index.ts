export { GROUP_NAMES, groupOf, SETTINGS_GROUPS, settingsOf, withGroup, type SettingsGroup } from './groups';
export { shopSettingsSchema, type ShopSettings } from './settings';
export { USUAL_SHOP } from './usual-shop';
