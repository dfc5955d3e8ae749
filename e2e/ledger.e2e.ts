import { expect, test } from '@playwright/test';
import { allKept, goStep, newRig, putAboard, signIn } from './shop';

test('a used boat: its old holes are taken in, one is plugged, two are used again before new ones are drilled', async ({
  page,
}) => {
  await signIn(page, 'ama');
  const rig = await newRig(page, 'returned boat', 'Holes Owner');
  await page.getByRole('link', { name: 'Hulls', exact: true }).click();
  const row = page.getByRole('row', { name: /Holes Owner/ });
  await row.getByRole('link', { name: 'untouched' }).click();
  await expect(page.getByText('Not a hole in it')).toBeVisible();

  // One by hand, a bad reading first.
  await page.getByLabel('From the bow tip, taut').fill('around there');
  await page.getByLabel('How wide').fill('3/16');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('From the bow tip: "around there" is not a length');
  await page.getByLabel('From the bow tip, taut').fill('126');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('O1 is in the ledger')).toBeVisible();

  // The rest from a list, with a line that is no hole.
  const list = 'label,reading,off,bit,plugged\nO2,127 11/32,0,3/16,\nO3,80,P 14,1/4,\nO4,wide,0,1/4,\nO5,20,0,1/4,nylon plug\n';
  await page.locator('input[type=file]').setInputFiles({ name: 'holes.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await expect(page.getByText('line 4, reading: "wide" is not a length')).toBeVisible();
  await page.getByRole('button', { name: 'Keep 3 holes' }).click();
  await expect(page.getByRole('table', { name: 'Holes, bow to stern' }).getByRole('row')).toHaveCount(5);
  await page.getByRole('button', { name: 'O3', exact: true }).click();
  await page.getByLabel('Plug with').fill('nylon plug in sealant');
  await page.getByRole('button', { name: 'Plug it' }).click();
  await expect(page.getByRole('row', { name: /^O3 plugged/ })).toBeVisible();

  // In the layout they are offered to what stands near.
  await page.goto(`${rig}/lay-out`);
  await expect(page.locator('pc-palette')).toBeVisible();
  await putAboard(page, 'Pad eye', 3215, 0);
  await page.getByRole('radio', { name: /blind rivets/i }).click();
  await page.getByRole('button', { name: 'Use them again' }).click();
  await expect(page.getByText('Uses the old holes O1, O2 again')).toBeVisible();
  await allKept(page);
  await goStep(page, 'Drill');
  await expect(page.getByText('2 of 2 drilled')).toBeVisible();
  await expect(page.getByText('used again').first()).toBeVisible();
  await page.getByRole('link', { name: 'Hulls', exact: true }).click();
  await page
    .getByRole('row', { name: /Holes Owner/ })
    .getByRole('link', { name: /entries/ })
    .click();
  await expect(page.getByRole('row', { name: /^O1 drilled/ })).toContainText('Pad eye');
  await expect(page.getByRole('row', { name: /^O5 plugged/ })).toContainText('nylon plug');
});

test('plates of a rig are planned on a board, cut, and the offcut lies on the shelf', async ({ page }) => {
  await signIn(page, 'idris');
  await page.getByRole('link', { name: 'Cuts' }).click();
  await expect(page.getByRole('heading', { name: 'Polyethylene board, 1/2 in' })).toBeVisible();
  await expect(page.getByText('no plan does with fewer').first()).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).first().click();
  expect((await download).suggestedFilename()).toBe('board-1.dxf');
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByText(/pieces cut; \d+ remnants? on the shelf/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('No rig in the shop wants')).toBeVisible();
  await expect(page.locator('aside li')).not.toHaveText('No remnant.');
});
