import { randomUUID } from 'node:crypto';
import { expect, type Page, test } from '@playwright/test';
import { allSaved, goStep, newRig, pointOnBoat, signIn, tell } from './shop';

/** Tells a part of one's own in its sheet: a box by default. */
async function make(page: Page, name: string, kind: string, minutes: string): Promise<void> {
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name', { exact: true }).fill(name);
  await sheet.getByLabel('Kind', { exact: true }).fill(kind);
  await sheet.getByRole('button', { name: 'Add material' }).click();
  await sheet.getByLabel('Material 1', { exact: true }).fill('pipe 40 mm, a metre');
  await sheet.getByLabel('Each', { exact: true }).fill('6.40');
  await sheet.getByLabel('Minutes to make').fill(minutes);
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
}

test('a second-hand tandem comes in: taken stock of, two parts made, a battery tied down inside, and its owner told what is where', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 1180, height: 820 });
  await signIn(page, 'idris');
  const rig = await newRig(page, 'second-hand two', 'Wren Marlow', 'sarrock-146-two');

  // Stock: a tap for what is sound, two and a word for what is not.
  await goStep(page, 'Receive');
  const sound = page.getByRole('button', { name: /^Sound/ });
  const thing = page.locator('.thing h2');
  await expect(thing).toHaveText('bow handle');
  await sound.click();
  await expect(thing).toHaveText('Pad eye');
  await page.getByRole('button', { name: 'Worn' }).click();
  await page.getByLabel('What is wrong with it').fill('eaten by the sun');
  await page.getByRole('button', { name: 'Save as worn' }).click();
  await expect(page.getByText('2 of 15 looked at')).toBeVisible();
  await page
    .locator('.list')
    .getByRole('button', { name: /Bungee deck kit/ })
    .click();
  await page.getByRole('radio', { name: 'Taken off' }).click();
  await page
    .locator('.list')
    .getByRole('button', { name: /Paddle clip/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Not there' }).click();

  // Gear nobody listed: what it is, where it is, then how it is.
  await page.getByRole('combobox', { name: 'What it is' }).fill('jam cl');
  await page.getByRole('option', { name: 'Jam cleat', exact: true }).click();
  await expect(page.getByText('Tap the boat where Jam cleat is.')).toBeVisible();
  const at = await pointOnBoat(page, 3980, 70);
  await page.mouse.click(at.x, at.y);
  await expect(thing).toHaveText('Jam cleat');
  await page.getByLabel('From bow tip, along the centre line').fill('156 1/2');
  await page.getByLabel('From bow tip, along the centre line').press('Enter');
  await expect(page.getByLabel('From bow tip, along the centre line')).toHaveValue('156 1/2');
  await sound.click();
  for (
    let left = await page.getByText(/^Not looked at yet: \d/).count();
    left > 0;
    left = await page.getByText(/^Not looked at yet: \d/).count()
  ) {
    const before = await page.getByRole('heading', { name: /looked at$/ }).textContent();
    await sound.click();
    await expect(page.getByRole('heading', { name: /looked at$/ })).not.toHaveText(before ?? '');
  }
  await page.getByRole('button', { name: 'Sign by the typed name' }).click();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByText('Signed by Wren Marlow')).toBeVisible();
  await allSaved(page);

  // Two parts of their own: one from a wish, one from the palette.
  await goStep(page, 'Brief');
  await page.getByLabel('A wish, or one a line').fill('zither');
  await page.getByLabel('A wish, or one a line').press('Enter');
  await page.getByRole('button', { name: 'A part of our own for zither' }).click();
  await make(page, 'Zither stand of pipe', 'stand', '90');
  await expect(page.getByText('matched', { exact: true })).toBeVisible();

  // Two bodies, each on a seat of their own.
  const second = page.locator('.question', { has: page.getByRole('heading', { name: 'Second', exact: true }) });
  await second.getByLabel('Height', { exact: true }).fill(`5' 4"`);
  await second.getByLabel('Height', { exact: true }).press('Enter');
  await second.getByLabel('Weight', { exact: true }).fill('135 lb');
  await second.getByLabel('Weight', { exact: true }).press('Enter');
  await second.getByLabel('Raised by', { exact: true }).fill('1 1/2');
  await second.getByLabel('Raised by', { exact: true }).press('Enter');
  await expect(second.getByText('Two bodies, two strokes, two reaches are checked.')).toBeVisible();
  await goStep(page, 'Lay out');
  await page.getByRole('button', { name: 'A part of our own' }).click();
  await make(page, 'Foam block', 'foam block', '20');
  await expect(page.getByText(/Tap the hull where Foam block goes/)).toBeVisible();
  const where = await pointOnBoat(page, 2760, 0);
  await page.mouse.click(where.x, where.y);
  const card = page.locator('pc-card');
  await expect(card.locator('h2')).toHaveText('Foam block');
  await expect(card.getByRole('combobox', { name: 'Supplied by' })).toContainText('home-made');
  await allSaved(page);

  // The battery goes inside and is tied so that it stays there upside down.
  const find = page.getByRole('searchbox', { name: 'Find a part' });
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  await find.fill('Battery 30 Ah');
  await page.locator('.parts button').first().click();
  await page.getByRole('button', { name: 'Into the bow hold' }).click();
  await expect(card.getByRole('heading', { name: 'Straps' })).toBeVisible();
  await expect(card.getByText(/comes loose|holds nothing/)).toHaveCount(0);

  // The crate hangs by straps from its own corners: what is proposed holds.
  const crate = { part: 'crate-open', place: { on: 'deck', x: 3630, y: 0, heading: 0 }, lift: 0, suppliedBy: 'shop', note: '' };
  const version = (await (await page.request.get(`/api${rig}`)).json()) as { version: number };
  await tell(page, `/api${rig}/changes`, {
    baseVersion: version.version,
    undoes: null,
    change: {
      id: randomUUID(),
      kind: 'together',
      changes: [
        {
          id: randomUUID(),
          kind: 'placeItem',
          item: 'crate',
          to: { ...crate, mount: { hold: 'loose', plate: false, reason: '' } },
        },
        {
          id: randomUUID(),
          kind: 'stowThing',
          thing: 'lunch',
          from: null,
          to: {
            in: 'crate',
            of: 'crate',
            what: 'lunch for two',
            kg: 4,
            litres: 6,
            wantsDry: false,
            use: 'stopped',
            later: false,
          },
        },
      ],
    },
  });
  const loose = page.locator('pc-to-settle').getByText(/Nothing holds Crate, open/);
  await expect(loose).toBeVisible();
  await page
    .getByRole('button', { name: /Crate, open/ })
    .first()
    .click();
  await card
    .getByRole('button', { name: /^Strap it/ })
    .first()
    .click();
  await expect(loose).toBeHidden();
  await expect(card.getByText(/Bears, of what is asked/)).toBeVisible();
  await allSaved(page);

  // What it costs, and what the owner reads.
  await goStep(page, 'Price');
  await expect(page.getByText('Foam block').first()).toBeVisible();
  await goStep(page, 'Hand over');
  await expect(page.getByText('Crate, open, 13 × 16: lunch for two', { exact: false })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: /^Bungee deck kit$/ })).toBeVisible();
  const { url } = await tell<{ url: string }>(page, `/api${rig}/owner-link`, {});
  await page.goto(url);
  await page.getByRole('button', { name: 'What is in what' }).click();
  await expect(page.getByText('lunch for two')).toBeVisible();
});
