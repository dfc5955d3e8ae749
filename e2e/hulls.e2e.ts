import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { allSaved, downloadOf, newRig, newRigByForm, signIn } from './shop';

test('an owner’s spreadsheet and photo come into the brief; wrong files say why and lose nothing', async ({ page }) => {
  await signIn(page, 'ama');
  const rig = await newRig(page, 'from a spreadsheet', 'Sheet Owner');
  const sheet = page.locator('pc-wish-import input[type=file]');
  const send = (name: string, text: string | Buffer) =>
    sheet.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await send('old.xls', Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 1, 2]));
  await expect(page.locator('pc-wish-import').getByRole('alert')).toContainText('an old .xls workbook');
  await send('wishes.csv', 'Précio;Artículo;Cantidad\n38,50;raised rod tube;2\n;raised rod tube;1\n12;a bell for the fog;1\n');
  await expect(page.locator('pc-wish-import')).toContainText('stands in lines 1, 2: 3 wanted, or one?');
  await page.locator('pc-wish-import').getByRole('button', { name: 'One', exact: true }).click();
  await expect(page.getByRole('combobox', { name: 'Part for raised rod tube' })).toHaveValue(/Rod tube, raised/);
  await page.getByRole('button', { name: 'Add 2 lines' }).click();
  await expect(page.locator('pc-wish-list .wishes li')).toHaveCount(2);
  await expect(page.locator('pc-wish-list')).toContainText('a bell for the fog');

  const photos = page.locator('pc-owner-photos input[type=file]');
  await photos.setInputFiles({ name: 'deck.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a photo at all') });
  await expect(page.locator('pc-owner-photos').getByRole('alert')).toContainText('not a JPEG, PNG or WebP');
  const jpeg = await sharp({ create: { width: 640, height: 400, channels: 3, background: '#2a6' } })
    .jpeg()
    .toBuffer();
  await photos.setInputFiles({ name: 'deck.jpg', mimeType: 'image/jpeg', buffer: jpeg });
  await expect(page.locator('pc-owner-photos li')).toHaveCount(1);
  await page.getByLabel('Aft of the bow').fill('a foot or so');
  await page.getByLabel('Aft of the bow').press('Tab');
  await expect(page.locator('pc-owner-photos').getByRole('alert')).toContainText('is not a length');
  await page.getByLabel('Aft of the bow').fill('48');
  await page.getByLabel('Aft of the bow').press('Tab');
  await expect(page.locator('.pin')).toBeVisible();
  await allSaved(page);
  await page.goto(`${rig}/brief`);
  await expect(page.locator('pc-owner-photos img')).toBeVisible();
  await expect(page.locator('pc-wish-list .wishes li')).toHaveCount(2);
});

test('a hull is measured with the tape, kept, taken out as a drawing, and a rig is opened on it', async ({ page }) => {
  await signIn(page, 'ama');
  await page.getByRole('tab', { name: 'Hulls' }).click();
  await page.getByRole('link', { name: 'New hull from the tape' }).click();
  await page.getByRole('button', { name: 'Save this hull' }).click();
  await expect(page.getByRole('alert')).toContainText('Name: what the hull is called');
  await page.getByLabel('Maker').fill('Ostrin');
  await page.getByLabel('Name', { exact: true }).fill('Fenwick 115');
  const x3 = page.getByLabel('Station 3, aft of bow');
  await x3.fill('10');
  await x3.press('Tab');
  await expect(page.getByRole('alert')).toContainText('out of order');
  await x3.fill('47 1/4');
  await x3.press('Tab');
  const port = page.getByLabel('Station 4, port half-breadth');
  await port.fill('18');
  await port.press('Tab');
  await expect(page.getByText('port and starboard differ by')).toBeVisible();
  await port.fill('16 15/16');
  await port.press('Tab');
  await expect(page.getByText('port and starboard differ by')).toHaveCount(0);
  await page.getByText('Tracks', { exact: false }).first().click();
  await page.getByRole('button', { name: 'Add track' }).click();
  await page.getByRole('button', { name: 'Save this hull' }).click();
  await expect(page.getByText('Save as a new revision')).toBeVisible();
  const svg = (await downloadOf(page, page.getByRole('link', { name: 'outline, SVG' }))).toString();
  expect(svg).toContain('width="3500mm"');

  // A photo of known geometry: straightened under the drawing, its gunwale traced.
  const boat = `<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="400"><rect width="1000" height="400" fill="#345"/>
    <path d="M50 200L250 110L500 95L750 110L925 200L750 290L500 305L250 290Z" fill="#c96"/>
    <rect x="250" y="125" width="500" height="150" fill="none" stroke="#fff" stroke-width="4"/></svg>`;
  const png = await sharp(Buffer.from(boat)).png().toBuffer();
  await page
    .locator('pc-photo-marking input[type=file]')
    .setInputFiles({ name: 'above.png', mimeType: 'image/png', buffer: png });
  const picture = page.locator('svg.photo');
  await expect(picture).toBeVisible();
  for (const [px, py] of [
    [250, 275],
    [750, 275],
    [750, 125],
    [250, 125],
  ] as const) {
    const box = await picture.boundingBox();
    const k = (box?.width ?? 0) / 1000;
    await picture.click({ position: { x: px * k, y: py * k } });
  }
  await expect(page.getByText('Four marks set.')).toBeVisible();
  await expect(page.getByText('A slip of a pixel or two in a mark moves the ends')).toBeVisible();
  await page.getByRole('button', { name: 'Lay it under the drawing' }).click();
  await expect(page.locator('svg.plan image')).toBeVisible();
  await page.getByRole('radio', { name: 'gunwale', exact: true }).click();
  const plan = page.locator('svg.plan');
  await page.evaluate(() => window.scrollTo(0, 0));
  const round = [
    [0.05, 0.5],
    [0.28, 0.2],
    [0.5, 0.16],
    [0.72, 0.2],
    [0.95, 0.5],
    [0.72, 0.8],
    [0.5, 0.84],
    [0.28, 0.8],
  ] as const;
  const box = await plan.boundingBox();
  for (const [fx, fy] of round) await plan.click({ position: { x: fx * (box?.width ?? 0), y: fy * (box?.height ?? 0) } });
  await page.getByRole('button', { name: 'Make stations of it' }).click();
  await expect(page.getByLabel('Station 13, aft of bow')).toBeVisible();

  await page.getByRole('tab', { name: 'Floor' }).click();
  await newRigByForm(page, 'on a hull of our own', 'Tape Hand', 'Fenwick 115');
});
