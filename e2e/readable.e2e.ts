import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { goStep, signIn } from './shop';
import { smallTargetsOf } from './targets';
import { troublesOf } from './trouble';

interface View {
  readonly size: { readonly width: number; readonly height: number };
  readonly colorScheme: 'light' | 'dark';
  readonly units: 'ft · in' | 'mm';
}
/** A desk, a small desk, a tablet held upright, and the desk seen at 200 %. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 820, height: 1180 },
  { width: 640, height: 400 },
];
/** Every pair of size, theme and units; the units, which are asked of the server, change once. */
const VIEWS = (['ft · in', 'mm'] as const).flatMap((units, u) =>
  SIZES.map((size, i): View => ({ size, units, colorScheme: (i + u) % 2 ? 'dark' : 'light' })),
);

/** Opens all that is folded away. */
async function unfold(folds: Locator): Promise<void> {
  for (const fold of await folds.all()) if ((await fold.getAttribute('aria-expanded')) === 'false') await fold.click();
}

async function show(page: Page, { size, colorScheme, units }: View): Promise<void> {
  await page.setViewportSize(size);
  await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
  const now = page.getByRole('button', { name: /^Units/ });
  if ((await now.count()) === 0 || (await now.textContent())?.trim() === units) return;
  // Also where a dialog lies over it.
  await now.evaluate((button: HTMLElement) => button.click());
  await expect(now).toHaveText(units);
}

/** What breaks WCAG 2.1 A or AA on a page; in the dark only its contrasts are others than in the light. */
async function broken(page: Page, contrastAlone: boolean): Promise<string[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const rules = contrastAlone ? axe.withRules(['color-contrast']) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']);
  const { violations } = await rules.analyze();
  const places = (all: readonly { readonly target: unknown }[]): string =>
    all
      .slice(0, 3)
      .map((n) => String(n.target))
      .join(' | ');
  return violations.map((v) => `${v.id} ${places(v.nodes)}`);
}

/** At 200 % what stands over every step takes a fifth of the page at the most. */
const headOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    // A head that stays stands lower on a page that was scrolled.
    scrollTo({ top: 0, behavior: 'instant' });
    const feet = Array.from(document.querySelectorAll('header.bar, header.head'), (h) => h.getBoundingClientRect().bottom);
    const foot = Math.max(0, ...feet);
    return innerHeight > 500 || foot <= innerHeight / 5 ? [] : [`the head takes ${foot} px of ${innerHeight}`];
  });

let screens = 0;
/**
 * A screen in every view: every text can be read. From screen to screen other views are held against the guidelines,
 * one in the light and one in the dark, so that all pairs are.
 */
async function check(page: Page, where: string): Promise<void> {
  const found: string[] = [];
  const first = screens++ % VIEWS.length;
  // The same size in the other units and the other theme.
  const second = (first + SIZES.length) % VIEWS.length;
  for (const [n, view] of VIEWS.entries()) {
    await show(page, view);
    const held = n === first || n === second ? await broken(page, view.colorScheme === 'dark') : [];
    const pressed = n === first ? await smallTargetsOf(page) : [];
    const all = [...held, ...pressed, ...(await troublesOf(page)), ...(await headOf(page))];
    found.push(...all.map((t) => `${where}, ${view.size.width} × ${view.size.height}, ${view.colorScheme}, ${view.units}: ${t}`));
  }
  await show(page, VIEWS[0] as View);
  expect.soft(found).toEqual([]);
}

test('every screen of the shop can be read in every view', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'Plain Cleat' })).toBeVisible();
  await check(page, 'sign-in');
  await signIn(page, 'mara');
  await check(page, 'floor');
  await page.getByRole('tab', { name: 'Rigs' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  await check(page, 'rigs');
  await page.getByRole('tab', { name: 'Hulls' }).click();
  await expect(page.getByRole('heading', { name: "Owners' own boats" })).toBeVisible();
  await check(page, 'hulls');
  await page.getByRole('link', { name: 'Vanterby Tolvane 118' }).click();
  await expect(page.getByRole('heading', { name: 'Tolvane 118' })).toBeVisible();
  await unfold(page.locator('mat-expansion-panel-header'));
  await check(page, 'hull bench');
  await page.getByRole('tab', { name: 'Assemblies' }).click();
  await page.getByRole('button', { name: /Lift-out pod/ }).click();
  await expect(page.getByRole('table', { name: 'What it is made of' })).toBeVisible();
  await check(page, 'assemblies');
  await page.getByRole('tab', { name: 'Cuts' }).click();
  await expect(page.getByRole('heading', { name: 'Which rigs' })).toBeVisible();
  await check(page, 'cuts');
  await page.getByRole('tab', { name: 'Hulls' }).click();
  await page
    .getByRole('link', { name: /entries/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Found on the boat' })).toBeVisible();
  await check(page, 'ledger');
  await page.getByRole('tab', { name: 'Shop' }).click();
  await expect(page.getByRole('heading', { name: 'How Alder Slip works' })).toBeVisible();
  await unfold(page.locator('mat-expansion-panel-header'));
  await check(page, 'shop');
  await page.getByRole('button', { name: 'Preferences' }).click();
  await expect(page.getByRole('heading', { name: 'Preferences' })).toBeVisible();
  await check(page, 'preferences');
});

test('every step of a rig can be read in every view', async ({ page }) => {
  test.setTimeout(400_000);
  await signIn(page, 'ama');
  await page.getByRole('button', { name: 'New rig' }).click();
  await page.getByRole('combobox', { name: "Owner's name" }).fill('Zoe Marr');
  await page.getByRole('button', { name: 'Which hull suits them?' }).click();
  await expect(page.locator('pc-hull-list mat-expansion-panel').first()).toBeVisible();
  await check(page, 'which hull');
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('link', { name: 'R-0146, mackerel and pollack rig' }).click();
  for (const step of ['Brief', 'Lay out', 'Drill', 'Wire', 'Price', 'Build', 'Hand over']) {
    await goStep(page, step);
    await expect(page.locator('.outlet .step')).toBeVisible();
    await check(page, step);
  }
  await goStep(page, 'Drill');
  await expect(page.locator('pc-templates')).toBeVisible();
  await unfold(page.locator('aside mat-expansion-panel-header'));
  await expect(page.locator('pc-templates .facts li').first()).toBeVisible();
  await page.getByRole('button', { name: 'Look inside' }).click();
  await check(page, 'drill, all of it');
  await page.locator('.who').click();
  await expect(page.getByRole('radio', { name: 'Tom Hale' })).toBeVisible();
  await check(page, 'swapping');
  await page.getByRole('button', { name: 'Close' }).click();
  await goStep(page, 'Lay out');
  await page.getByRole('radio', { name: 'Stowed' }).click();
  await expect(page.locator('pc-stowing')).toBeVisible();
  await check(page, 'stowing');
  await page.getByRole('radio', { name: 'Hands' }).click();
  await expect(page.locator('pc-hands')).toBeVisible();
  await page.getByRole('radio', { name: /^guest/ }).click();
  await page.getByRole('button', { name: 'Who sits, and how' }).click();
  await expect(page.locator('pc-seat-range svg')).toBeVisible();
  await check(page, 'hands and who sits');
  await page.getByRole('button', { name: 'Who sits, and how' }).click();
  await page.getByRole('radio', { name: /^everything/ }).click();
  // Out of the toggles, whose arrows are their own, and along the boat.
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('pc-card')).toBeVisible();
  await unfold(page.locator('pc-card mat-expansion-panel-header'));
  await check(page, 'card');
  await page.keyboard.press('Control+Space');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Control+Space');
  await expect(page.getByRole('heading', { name: '2 fittings chosen' })).toBeVisible();
  await check(page, 'several');
});
