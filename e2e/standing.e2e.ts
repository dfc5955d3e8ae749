import { expect, test } from '@playwright/test';
import { allSaved, goStep, newRig, putAboard, signIn } from './shop';

/** A list as owners keep them: a title, whose it is, an empty line, then headings. */
const LIST = [
  'Gear for the wide boat,,',
  'Price list,,',
  ',,',
  'Item,Qty,Price',
  'rod holder,2 ea,42',
  'fish finder 7 in,(1),620',
  '360 light,1,129.00',
  'Total,,833.00',
].join('\n');

test('an owner who stands, pedals and casts, on the widest hull, with a list whose first rows are titles', async ({ page }) => {
  await signIn(page, 'ama');
  await newRig(page, 'standing and casting', 'Runa Keld', 'quenby-126-wide');
  await page.getByRole('radiogroup', { name: 'Seat, and' }).getByRole('radio', { name: 'Both' }).click();
  await page.getByRole('listbox', { name: 'Moves by', exact: true }).getByRole('option', { name: 'Pedals' }).click();
  // This hull has pegs: said where the answer is given.
  await expect(page.getByText('has no pedal drive')).toBeVisible();
  await page.getByRole('radio', { name: 'Sidearm' }).click();
  await allSaved(page);

  // The list: headings found under the titles, what is unclear asked about, the total set against the lines.
  await page
    .locator('pc-wish-import input[type=file]')
    .setInputFiles({ name: 'gear.csv', mimeType: 'text/csv', buffer: Buffer.from(`\ufeff${LIST}`) });
  const list = page.locator('pc-wish-import');
  await expect(list.getByText('2 × rod holder')).toBeVisible();
  await expect(list.getByText('Quantity “(1)”: how many?')).toBeVisible();
  await expect(list.getByText('as the list itself says')).toBeVisible();
  await expect(list.getByLabel('Take rod holder')).toBeChecked();
  await expect(list.getByLabel('Take fish finder 7 in')).not.toBeChecked();
  await expect(list.getByRole('combobox', { name: 'Part for 360 light' })).not.toHaveValue(/kept as a line/);
  await list.getByRole('button', { name: 'Add 2 lines' }).click();
  await expect(page.getByRole('combobox', { name: 'Part for rod holder' })).toBeVisible();
  await allSaved(page);

  // Lay out: room to stand, the cast, a battery that goes under the hatch and not on its lid.
  await goStep(page, 'Lay out');
  const settle = page.locator('pc-to-settle li');
  await putAboard(page, 'Crate, open, 13 × 16', 1500, 0);
  await expect(settle.filter({ hasText: 'The clear deck to stand on is' })).toBeVisible();
  await putAboard(page, 'All-round light, pole', 2330, 440);
  await expect(settle.filter({ hasText: 'into the sidearm back cast on the starboard side' })).toBeVisible();
  await putAboard(page, 'Battery 18 Ah, lithium', 640, 0);
  await expect(page.locator('pc-card header')).toContainText('bow hold');
  await expect(settle.filter({ hasText: 'Battery 18 Ah' })).toHaveCount(0);
  await allSaved(page);

  // What is still wished for is said at the price and at the end, and nothing is signed for over open steps.
  await goStep(page, 'Price');
  await expect(page.getByRole('heading', { name: 'Wishes still open' })).toBeVisible();
  await expect(page.getByText('rod holder, 0 of 2 placed')).toBeVisible();
  await goStep(page, 'Hand over');
  await expect(page.getByText('still to show')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toHaveCount(0);
});
