import { expect, test } from '@playwright/test';
import { allSaved, downloadOf, dragOnBoat, goStep, newRig, pointOnBoat, putAboard, signIn } from './shop';

test('a second browser sees the first one’s changes without reloading', async ({ page, browser }) => {
  await signIn(page, 'ama');
  const rig = await newRig(page, 'seen twice', 'Two Screens');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'mara');
  await other.goto(`${rig}/lay-out`);
  await expect(other.getByText('Nothing to settle here.')).toBeVisible();
  await goStep(page, 'Lay out');
  await putAboard(page, 'Crate, open, 13 × 16', 2700, 0);
  await expect(other.getByRole('button', { name: 'A, Crate, open, 13 × 16' }).first()).toBeVisible();
  // And back, a fact the other way.
  await goStep(other, 'Build');
  await other.getByRole('checkbox', { name: 'Receive and inspect the hull' }).click();
  await goStep(page, 'Build');
  await expect(page.getByRole('checkbox', { name: 'Receive and inspect the hull' })).toBeChecked();
  await other.close();
});

test('eight tabs of one browser work side by side over one line each: all hear what one does, and the ninth opens', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'ama');
  const rig = await newRig(page, 'many tabs', 'Tab Keeper');
  const tabs = await Promise.all(Array.from({ length: 8 }, () => page.context().newPage()));
  const streams = new Set<string>();
  for (const tab of [page, ...tabs])
    tab.on(
      'request',
      (request) => void (request.url().includes('/api/events') && streams.add(`${tab.url()} ${tabs.indexOf(tab)}`)),
    );
  for (const tab of tabs) {
    await tab.goto(`${rig}/build`);
    await expect(tab.getByRole('checkbox', { name: 'Receive and inspect the hull' })).toBeVisible();
  }
  // No more lines are held by streams than one.
  expect(streams.size).toBeLessThanOrEqual(1);
  await tabs[3]?.getByRole('checkbox', { name: 'Receive and inspect the hull' }).click();
  for (const tab of tabs) await expect(tab.getByRole('checkbox', { name: 'Receive and inspect the hull' })).toBeChecked();
  // The tab that listened for all is closed: another does.
  await page.close();
  await tabs[4]?.getByRole('checkbox', { name: 'Receive and inspect the hull' }).click();
  for (const tab of tabs) await expect(tab.getByRole('checkbox', { name: 'Receive and inspect the hull' })).not.toBeChecked();
  for (const tab of tabs) await tab.close();
});

test('a fitting is dragged, nudged by keys, undone across a reload, and read in millimetres', async ({ page }) => {
  await signIn(page, 'idris');
  await newRig(page, 'dragged about', 'Some Body');
  await goStep(page, 'Lay out');
  await putAboard(page, 'Crate, open, 13 × 16', 2700, 0);
  const reading = page.getByLabel('From bow tip, along the centre line');
  const start = await reading.inputValue();
  await dragOnBoat(page, [2700, 0], [2500, 0]);
  await expect(reading).not.toHaveValue(start);
  const dragged = await reading.inputValue();
  await allSaved(page);
  // Escape with it under the finger: it lies where it lay, and letting go does nothing more.
  const [at, away] = [await pointOnBoat(page, 2500, 0), await pointOnBoat(page, 2200, 0)];
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(away.x, away.y, { steps: 6 });
  await expect(reading).not.toHaveValue(dragged);
  await page.keyboard.press('Escape');
  await expect(reading).toHaveValue(dragged);
  await page.mouse.up();
  await expect(reading).toHaveValue(dragged);
  // And closes what lies on top before it lets the fitting go.
  await page.keyboard.press('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Keys' })).toHaveCount(0);
  await expect(reading).toBeVisible();
  // Nudged by a sixteenth, then an inch.
  await page.locator('pc-card h2').click();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  await expect(reading).not.toHaveValue(dragged);
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Space');
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('Control+z');
    await allSaved(page);
  }
  await page.keyboard.press('ArrowRight');
  await expect(reading).toHaveValue(start);
  await page.keyboard.press('Control+Shift+Z');
  await expect(reading).toHaveValue(dragged);
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(reading).toHaveValue(/^\d{4}$/);
  await expect(page.locator('.inch').first()).toHaveText('200');
});

test('a part is dragged from the palette onto the boat, and stands where it was let go', async ({ page }) => {
  await signIn(page, 'ama');
  await newRig(page, 'dragged aboard', 'Drag Hand');
  await goStep(page, 'Lay out');
  await page.getByRole('searchbox', { name: 'Find a part' }).fill('Crate, open, 13 × 16');
  const part = await page.locator('.parts button').first().boundingBox();
  const to = await pointOnBoat(page, 2700, 0);
  if (!part) throw new Error('no part');
  await page.mouse.move(part.x + 60, part.y + 20);
  await page.mouse.down();
  await page.mouse.move(part.x - 40, part.y + 10, { steps: 5 });
  await expect(page.locator('.cdk-drag-preview')).toBeVisible();
  await page.mouse.move(to.x, to.y, { steps: 10 });
  await page.mouse.up();
  await expect(page.locator('pc-card h2')).toHaveText('Crate, open, 13 × 16');
  // 2700 mm is 106 5/16 in: within what a pixel is.
  await expect(page.getByLabel('From bow tip, along the centre line')).toHaveValue(/^10[67]/);
  await allSaved(page);
});

test('by keyboard alone a part comes aboard, is walked to, turned and taken off', async ({ page }) => {
  await signIn(page, 'ama');
  await newRig(page, 'no mouse', 'Key Board');
  await goStep(page, 'Lay out');
  await expect(page.getByText('Nothing to settle here.')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('chart board');
  await page.keyboard.press('Enter');
  await expect(page.locator('pc-card h2')).toHaveText('Chart board on track');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.locator('pc-boat-view').click({ position: { x: 4, y: 4 } });
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('pc-card h2')).toHaveText('Chart board on track');
  await page.keyboard.press('Shift+F10');
  const wanted = page.getByRole('menuitem', { name: 'Turn 15° to starboard' });
  for (let i = 0; i < 8 && !(await wanted.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('ArrowDown');
  await expect(wanted).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Turned')).toHaveValue('-15');
  await page.keyboard.press('Delete');
  await expect(page.locator('.letters')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('region', { name: 'Keys' })).toBeVisible();
});

test('a change on a field somebody else changed is shown with both values', async ({ page, browser }) => {
  await signIn(page, 'ama');
  const rig = await newRig(page, 'clash', 'Both Hands');
  await goStep(page, 'Lay out');
  await putAboard(page, 'Crate, open, 13 × 16', 2700, 0);
  await allSaved(page);
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'mara');
  await other.goto(`${rig}/lay-out`);
  await other.getByRole('button', { name: 'A, Crate, open, 13 × 16' }).last().click();
  await other.route('**/changes', async (route) => route.abort());
  await other.getByLabel('Note').fill('hers');
  await other.getByLabel('Note').press('Tab');
  await expect(other.getByText('Not sent yet: ')).toBeVisible();
  await page.getByLabel('Note').fill('his');
  await page.getByLabel('Note').press('Tab');
  await allSaved(page);
  await other.unroute('**/changes');
  await other.getByRole('button', { name: 'Send now' }).click();
  const clash = other.getByRole('alertdialog', { name: 'Changed meanwhile' });
  await expect(clash).toContainText('his');
  await expect(clash).toContainText('hers');
  await clash.getByRole('button', { name: 'Use mine' }).click();
  await expect(page.getByLabel('Note')).toHaveValue('hers');
  await other.close();
});

test('a rig file leaves and comes back the same; a wrong one is refused by field', async ({ page }) => {
  await signIn(page, 'ama');
  await page.getByRole('link', { name: 'R-0145, river survey rig' }).click();
  await goStep(page, 'Hand over');
  const bytes = await downloadOf(page, page.getByRole('link', { name: 'Rig file' }));
  await page.getByRole('tab', { name: 'Rigs' }).click();
  await page.locator('input[type=file]').setInputFiles({ name: 'rig.json', mimeType: 'application/json', buffer: bytes });
  await expect(page).toHaveURL(/\/brief$/);
  await goStep(page, 'Hand over');
  expect((await downloadOf(page, page.getByRole('link', { name: 'Rig file' }))).equals(bytes)).toBe(true);
  await page.getByRole('tab', { name: 'Rigs' }).click();
  const broken = bytes.toString().replace('"massKg": 31', '"massKg": "heavy"');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'rig.json', mimeType: 'application/json', buffer: Buffer.from(broken) });
  await expect(page.getByRole('alert')).toContainText('hull.massKg');
});

test('ended links and unknown rigs say so', async ({ page }) => {
  await page.goto('/owner/not-a-link');
  await expect(page.getByText('ask the shop for a new one')).toBeVisible();
  await signIn(page, 'mara');
  await expect(page.getByRole('button', { name: 'New rig' })).toHaveCount(0);
  await page.goto('/rigs/00000000-0000-4000-8000-000000000000/lay-out');
  await expect(page.getByRole('heading', { name: 'This rig did not open' })).toBeVisible();
});

test('the first page stays light', async ({ page }) => {
  let bytes = 0;
  page.on('requestfinished', async (request) => {
    if (/\.(js|css)$/.test(new URL(request.url()).pathname)) bytes += (await request.sizes()).responseBodySize;
  });
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'Plain Cleat' })).toBeVisible();
  await page.waitForLoadState('networkidle');
  expect(bytes).toBeLessThan(250_000);
});
