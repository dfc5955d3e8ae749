import { expect, test } from '@playwright/test';
import { allSaved, goStep, newRig, signIn } from './shop';

const LIST = ['fish finder 7"', 'raised rod tube', 'phone mount', '20 l cooler', 'all-round light', 'flag'];

test('from a list of wishes to a rig: the best places, one by key, the rest in one go, undone as one', async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page, 'ama');
  await newRig(page, 'wishes to a rig', 'Runa Falk');
  await page.getByLabel('A wish, or one a line').fill(LIST.join('\n'));
  await page.getByLabel('A wish, or one a line').press('Enter');
  await expect(page.locator('pc-wish-list .wishes li')).toHaveCount(LIST.length);
  await allSaved(page);

  await goStep(page, 'Lay out');
  const wishes = page.locator('pc-open-wishes');
  await expect(wishes).toContainText(`0 of ${LIST.length} placed`);
  // A wish by its key: its places stand numbered in the list and on the boat.
  await page.keyboard.press('n');
  const places = page.getByRole('list', { name: 'Best places' });
  await expect(places.locator('[data-place="1"]')).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('pc-boat-view [data-offered="1"]')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Why this order' })).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('1');
  await expect(wishes).toContainText(`1 of ${LIST.length} placed`);
  await allSaved(page);

  // The rest in one go: nothing of it is stopped, and it is one change.
  await wishes.getByRole('button', { name: 'Place the rest' }).click();
  await expect(wishes).toContainText('pieces placed', { timeout: 120_000 });
  await expect(wishes).toContainText(`${LIST.length} of ${LIST.length} placed`);
  await expect(page.locator('pc-to-settle .mark.stop')).toHaveCount(0);
  await allSaved(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(wishes).toContainText(`1 of ${LIST.length} placed`);
});
