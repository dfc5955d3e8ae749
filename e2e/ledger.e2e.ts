import { expect, test } from '@playwright/test';
import { allSaved, downloadOf, goStep, holdUntil, newRig, putAboard, putBitIn, readPdf, signIn } from './shop';

test('a used boat: its old holes are taken in, one is plugged, two are used again before new ones are drilled', async ({
  page,
}) => {
  await signIn(page, 'ama');
  const rig = await newRig(page, 'returned boat', 'Holes Owner');
  await page.getByRole('tab', { name: 'Hulls' }).click();
  const row = page.getByRole('row', { name: /Holes Owner/ });
  await row.getByRole('link', { name: 'untouched' }).click();
  await expect(page.getByText('Not a hole in it')).toBeVisible();

  // One by hand, a bad reading first.
  await page.getByLabel('From bow, taut').fill('around there');
  await page.getByLabel('How wide').fill('3/16');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('"around there" is not a length');
  await page.getByLabel('From bow, taut').fill('126');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('O1 is in the ledger')).toBeVisible();

  // The rest from a list, with a line that is no hole.
  const list = 'label,reading,off,bit,plugged\nO2,127 11/32,0,3/16,\nO3,80,P 14,1/4,\nO4,wide,0,1/4,\nO5,20,0,1/4,nylon plug\n';
  await page.locator('input[type=file]').setInputFiles({ name: 'holes.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await expect(page.getByText('line 4, reading: "wide" is not a length')).toBeVisible();
  await page.getByRole('button', { name: 'Save 3 holes' }).click();
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
  await allSaved(page);
  await goStep(page, 'Drill');
  await expect(page.getByText('2 of 2 drilled')).toBeVisible();
  await expect(page.getByText('used again').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Hulls' }).click();
  await page
    .getByRole('row', { name: /Holes Owner/ })
    .getByRole('link', { name: /entries/ })
    .click();
  await expect(page.getByRole('row', { name: /^O1 drilled/ })).toContainText('Pad eye');
  await expect(page.getByRole('row', { name: /^O5 plugged/ })).toContainText('nylon plug');
});

test('plates of a rig are planned on a board, cut, and the offcut lies on the shelf', async ({ page }) => {
  await signIn(page, 'idris');
  await page.getByRole('tab', { name: 'Cuts' }).click();
  await expect(page.getByRole('heading', { name: 'Polyethylene board, 1/2 in' })).toBeVisible();
  await expect(page.getByText('no plan does with fewer').first()).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).first().click();
  expect((await download).suggestedFilename()).toBe('board-1.dxf');
  await page.getByRole('button', { name: 'Mark cut, save offcuts' }).click();
  await expect(page.getByText(/pieces cut; \d+ offcuts on the shelf/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('No rig in the shop wants')).toBeVisible();
  await expect(page.locator('aside li').first()).not.toHaveText('No offcut.');
});

test('a returned boat: twelve old holes, four used again, two plugged, six drilled, one of them 4 mm off; ledger, plan and book agree', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await signIn(page, 'mara');
  const { id, number } = await page.evaluate(async () => {
    const { rigs } = (await (await fetch('/api/floor')).json()) as { rigs: { id: string; number: string; title: string }[] };
    return rigs.find((r) => r.title === 'returned for a trolley') ?? { id: '', number: '' };
  });
  await page.getByRole('button', { name: 'Units: ft · in. Change' }).click();
  await page.goto(`/rigs/${id}/drill`);
  await expect(page.getByText('4 of 10 drilled')).toBeVisible();
  await expect(page.locator('.scar')).toHaveCount(8);

  // Two are plugged, a bad try first.
  const plug = async (label: string, what: string): Promise<void> => {
    await page.getByLabel(`Plug ${label} with`).fill(what);
    await page.getByLabel(`Plug ${label} with`).press('Enter');
  };
  await plug('O4', ' ');
  await expect(page.getByLabel('Plug O4 with')).toBeVisible();
  for (const label of ['O4', 'O5']) {
    await plug(label, 'nylon plug in sealant');
    await expect(page.getByLabel(`Plug ${label} with`)).toHaveCount(0);
  }
  await expect(page.locator('.scar.open')).toHaveCount(0);

  // Pilots by the shortest walk, then each to its size; the first one went 4 mm aft of its mark.
  await putBitIn(page);
  const first = (await page.locator('strong.label').textContent()) ?? '';
  const planned = Number.parseFloat((await page.locator('.huge').first().locator('.hidden').textContent()) ?? '');
  const off = Number.parseFloat((await page.locator('.huge').nth(1).locator('.hidden').textContent()) ?? '');
  await page.getByRole('button', { name: 'Something else happened' }).click();
  await page.getByLabel('Measured from BOW TIP').fill(String(planned + 4));
  await page.getByLabel('Measured off centre').fill(String(off));
  await page.getByRole('button', { name: 'Drilled there' }).click();
  for (let i = 0; i < 5; i++) {
    const label = (await page.locator('strong.label').textContent()) ?? '';
    await holdUntil(page, 'piloted', page.getByText(`Last: ${label},`));
  }
  await putBitIn(page);
  for (let done = 5; done <= 10; done++) await holdUntil(page, 'drilled', page.getByText(`${done} of 10 drilled`));
  await allSaved(page);

  // The plan re-checks: the hole that went astray is a finding there.
  await page.locator('.hole-chip').filter({ hasText: first }).first().click();
  const astray = page.locator('pc-finding-box').filter({ hasText: `${first} was drilled` });
  await expect(astray).toContainText('from where the plan has it');
  await expect(page.getByText(`${planned + 4} mm`)).toBeVisible();

  // The owner's book tells the same holes.
  await goStep(page, 'Hand over');
  const { text: book } = await readPdf(await downloadOf(page, page.getByRole('link', { name: "Owner's book" }).first()));
  expect(book).toContain(`${first} ${planned + 4} mm from bow tip, not where it was planned`);
  for (const label of ['O1', 'O2', 'O3', 'O12']) expect(book).toContain(`an old hole used again (${label})`);
  for (const label of ['O4', 'O5'])
    expect(book).toMatch(new RegExp(`${label} [\\d ]+ mm from bow tip, closed with nylon plug in sealant`));
  expect(book.match(/closed with/g)?.length).toBe(8);
  expect(book).not.toContain('OPEN');

  // So does the ledger of the hull.
  await page.getByRole('tab', { name: 'Hulls' }).click();
  await page
    .getByRole('row', { name: /Halvard Strand/ })
    .getByRole('link', { name: /entries/ })
    .click();
  const table = page.getByRole('table', { name: 'Holes, bow to stern' });
  await expect(table.getByRole('row')).toHaveCount(1 + 18);
  await expect(table.getByRole('row', { name: /^O\d+ plugged/ })).toHaveCount(8);
  await expect(table.getByRole('row', { name: new RegExp(`^${first} drilled`) })).toContainText(`${planned + 4} mm`);
  for (const label of ['O1', 'O2', 'O3']) {
    const row = table.getByRole('row', { name: new RegExp(`^${label} drilled`) });
    await expect(row).toContainText('Rod tube, flush');
    await expect(row).toContainText(number);
  }
});

test('a track is cut to length and takes what is let go near it; its template comes out once the printed bar was measured', async ({
  page,
}) => {
  await signIn(page, 'ama');
  await newRig(page, 'rig with a track', 'Bar Owner');
  await goStep(page, 'Lay out');
  await putAboard(page, 'Slot track, 24 in', 2700, 0);
  const cut = page.locator('pc-track-lines').getByLabel('Cut to');
  await cut.fill('2');
  await cut.press('Enter');
  await expect(page.getByRole('alert')).toContainText('From 3 15/16 in to 96 1/16 in.');
  await cut.fill('16');
  await cut.press('Enter');
  await expect(page.locator('pc-track-lines')).toContainText('Nothing rides on it yet');
  await expect(page.locator('pc-track-lines')).toContainText(/\d+, [\d /]+ in apart/);
  await putAboard(page, 'Radio clip', 2760, 20);
  await expect(page.locator('pc-card')).toContainText('Slot track, 24 in');
  await expect(page.getByText('T-bolts in a track').first()).toBeVisible();
  await allSaved(page);

  await goStep(page, 'Drill');
  await page.locator('pc-templates mat-expansion-panel-header').click();
  await expect(page.locator('pc-templates .facts li')).toHaveCount(1);
  const bar = page.getByLabel('It reads');
  await bar.fill('most of it');
  await bar.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is not a length');
  await bar.fill('3 7/8');
  await bar.press('Enter');
  await expect(page.getByText('the printer scales')).toBeVisible();
  await bar.fill('4');
  await bar.press('Enter');
  await allSaved(page);
  const templates = page.getByRole('link', { name: 'All templates, Letter' });
  const { text, lines } = await readPdf(await downloadOf(page, templates));
  expect(text).toContain('Template A');
  expect(text).toContain('Bow to the left. On the centre line.');
  // 100 mm is 283.465 pt, 4 in 288: one of each on every sheet.
  expect(lines.some((l) => Math.abs(l - 283.465) < 0.05) && lines.some((l) => Math.abs(l - 288) < 0.05)).toBe(true);
});
