import { expect, type Locator, type Page, test } from '@playwright/test';
import { allSaved, measureBoat, PASSWORDS } from './shop';

/** Tabs on until something has the focus: what cannot be reached so is not there for who has no pointer. */
async function reach(page: Page, what: Locator): Promise<void> {
  await expect(what).toBeVisible();
  for (let i = 0; i < 200; i++) {
    if (await what.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  await expect(what).toBeFocused();
}

async function press(page: Page, what: Locator, key = 'Enter'): Promise<void> {
  await reach(page, what);
  await page.keyboard.press(key);
}

async function type(page: Page, what: Locator, text: string): Promise<void> {
  await reach(page, what);
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
}

/** From step to step along the tabs, by their arrows. */
async function walkTo(page: Page, step: string): Promise<void> {
  const tab = page.getByRole('tab', { name: step });
  await reach(page, page.getByRole('tablist', { name: 'Steps of the rig' }).getByRole('tab', { selected: true }));
  for (let i = 0; i < 8 && !(await tab.evaluate((element) => element === document.activeElement)); i++)
    await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(tab).toHaveAttribute('aria-selected', 'true');
}

/** Holds the marking button by the space bar until it is said what was marked. */
async function hold(page: Page): Promise<void> {
  const last = page.getByText(/Last: /).first();
  const said = async (): Promise<string> => ((await last.count()) ? ((await last.textContent()) ?? '') : '');
  const before = await said();
  await reach(page, page.locator('pc-hold-button button'));
  await page.keyboard.down('Space');
  await expect.poll(said).not.toBe(before);
  await page.keyboard.up('Space');
}

/** What has not cured yet is let pass by a manager, who types it here. */
async function letItPass(page: Page, row: Locator): Promise<void> {
  await press(page, row.getByRole('button', { name: 'Manager override' }));
  await type(page, row.getByLabel('Reason'), 'a test piece held after an hour');
  await type(page, row.getByLabel('Manager', { exact: true }), 'idris');
  await type(page, row.getByLabel('Manager’s password'), PASSWORDS.idris);
  await page.keyboard.press('Enter');
}

const button = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('button', { name, exact: typeof name === 'string' });

test('from sign-in to a signed handover by keyboard alone', async ({ page }) => {
  test.setTimeout(240_000);
  await page.goto('/');
  await type(page, page.getByLabel('Login'), 'ama');
  await type(page, page.getByLabel('Password'), PASSWORDS.ama);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Bench 1' })).toBeVisible();

  await press(page, button(page, 'New rig'));
  await type(page, page.getByRole('combobox', { name: "Owner's name" }), 'Keya Board');
  await type(page, page.getByRole('combobox', { name: 'Hull' }), 'tolvane');
  // Enter takes the one that is lit: the list is filtered anew as hulls come in.
  const hull = page.getByRole('combobox', { name: 'Hull' });
  const lit = (await page.getByRole('option', { name: /Tolvane 118/ }).getAttribute('id')) ?? '';
  await expect(hull).toHaveAttribute('aria-activedescendant', lit);
  await page.keyboard.press('Enter');
  await expect(hull).toHaveValue(/Tolvane 118/);
  await type(page, page.getByLabel('What the rig is for'), 'pulley and nothing else');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/rigs\/[\w-]+\/brief/);

  await press(page, page.getByRole('option', { name: 'Lake', exact: true }), 'Space');
  await type(page, page.getByLabel('A wish, or one a line'), 'trolley pulley');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Part for trolley pulley' })).toHaveValue(/Trolley pulley/);
  await allSaved(page);

  await walkTo(page, 'Lay out');
  await expect(page.locator('pc-palette')).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByRole('searchbox', { name: 'Find a part' })).toBeFocused();
  await page.keyboard.type('trolley pulley');
  await page.keyboard.press('Enter');
  await expect(page.locator('pc-card h2')).toHaveText('Trolley pulley');
  const reading = page.getByLabel('From bow tip, along the centre line');
  await type(page, reading, 'about there');
  await page.keyboard.press('Tab');
  await expect(page.locator('pc-card').getByRole('alert')).toContainText('is not a length');
  await type(page, reading, '129 1/2');
  await page.keyboard.press('Tab');
  await expect(reading).toHaveValue('129 1/2');
  await expect(page.getByText('Nothing to settle here.')).toBeVisible();
  await allSaved(page);

  await walkTo(page, 'Price');
  await expect(page.locator('.pay dd')).toHaveText(/^[\d,]+\.\d\d$/);

  await walkTo(page, 'Drill');
  await measureBoat(page);
  const bit = button(page, /is in the drill/);
  const done = page.getByText('2 of 2 drilled');
  for (let i = 0; i < 12 && (await done.count()) === 0; i++) {
    if (await bit.isVisible()) await press(page, bit);
    await hold(page);
  }
  await expect(done).toBeVisible();

  await walkTo(page, 'Build');
  const heading = page.getByRole('heading', { name: /steps done/ });
  await expect(page.locator('li.ready').first()).toBeVisible();
  for (let left = 40; left > 0; left--) {
    const open = page.locator('li.ready .tick').first();
    if ((await open.count()) === 0) break;
    const before = (await heading.textContent()) ?? '';
    const step = await page.locator('li.ready').first().getAttribute('data-step');
    if (step !== 'cure') await press(page, open, 'Space');
    else await letItPass(page, page.locator('[data-step=cure]'));
    await expect(heading).not.toHaveText(before);
  }
  await expect(page.getByText('Built.')).toBeVisible();

  await walkTo(page, 'Hand over');
  await press(page, button(page, /^Shown/));
  await expect(page.getByText('1 shown')).toBeVisible();
  await press(page, button(page, 'Sign by the typed name'));
  await press(page, button(page, 'Sign'));
  await expect(page.getByText('Signed by Keya Board')).toBeVisible();
  await allSaved(page);
});
