import { SHOP } from '../../../demo/index';
import { groupOf, SETTINGS_GROUPS, settingsOf, type SettingsGroup, type ShopSettings, shopSettingsSchema } from './index';

describe('groups of settings', () => {
  const every = (at: (group: SettingsGroup) => ShopSettings): Record<SettingsGroup, ShopSettings> =>
    Object.fromEntries(SETTINGS_GROUPS.map((g) => [g, at(g)])) as Record<SettingsGroup, ShopSettings>;

  it('hold every setting once, but for the revision', () => {
    const fields = SETTINGS_GROUPS.flatMap((g) => Object.keys(groupOf(SHOP, g)));
    expect(fields.sort()).toEqual(
      Object.keys(shopSettingsSchema.shape)
        .filter((field) => field !== 'revision')
        .sort(),
    );
  });

  it('are taken each from its own revision', () => {
    const later: ShopSettings = {
      ...SHOP,
      revision: 7,
      taxPercent: SHOP.taxPercent + 1,
      cureHours: SHOP.cureHours + 5,
      limits: { ...SHOP.limits, standing: 1 },
    };
    const mixed = settingsOf(every((g) => (g === 'holding' ? later : SHOP)));
    expect(mixed).toEqual({ ...SHOP, revision: 7, cureHours: later.cureHours });
    expect(settingsOf(every((g) => (g === 'holding' ? SHOP : later)))).toEqual({
      ...later,
      holding: SHOP.holding,
      cureHours: SHOP.cureHours,
    });
    expect(settingsOf(every(() => later))).toBe(later);
  });
});
