import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { allSaved, goStep, newSet, signIn, tell } from './shop';

test('a hull is chosen for its paddler, the throttle comes to the free hand, a guest sits in a set of their own, and the owner reads which hand', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'ama');

  // Before a hull is chosen: what is answered decides which suits, and goes into the brief.
  await page.getByRole('button', { name: 'New rig' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: "Owner's name" }).fill('Mael Tarrow');
  await dialog.getByLabel('What the rig is for').fill('motor and rods');
  await dialog.getByRole('button', { name: 'Which hull suits them?' }).click();
  await dialog.getByLabel('Weight', { exact: true }).fill('310 lb');
  await dialog.getByLabel('Weight', { exact: true }).press('Enter');
  await dialog.getByRole('combobox', { name: 'By road' }).click();
  await page.getByRole('option', { name: 'trailer', exact: true }).click();
  await dialog.getByRole('option', { name: 'motor', exact: true }).click();
  await dialog.getByRole('button', { name: /Brackwen 104/ }).click();
  // What was open before stays in the page, folded away.
  await expect(dialog.getByText(/over its rating/).filter({ visible: true })).toHaveCount(1);
  await dialog.getByRole('button', { name: /Fendrick 124 Drive/ }).click();
  await dialog.getByRole('button', { name: 'Choose Fendrick 124 Drive' }).click();
  await dialog.getByRole('button', { name: 'Open the rig' }).click();
  await expect(page).toHaveURL(/\/rigs\/.+\/brief/);
  await expect(page.locator('[data-answer=weightKg] input')).toHaveValue('310');
  const rig = /\/rigs\/[^/]+/.exec(page.url())?.[0] ?? '';

  // They cast: the right hand has the rod.
  await page.getByRole('radio', { name: 'Sidearm' }).click();
  await expect(page.locator('pc-seat-range svg')).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('To the water').fill('60 m');
  await page.getByLabel('To the water').press('Enter');
  await expect(page.getByText(/two people carry|is carried that far/)).toBeVisible();
  await allSaved(page);

  const { version } = (await (await page.request.get(`/api${rig}`)).json()) as { version: number };
  await tell(page, `/api${rig}/changes`, {
    baseVersion: version,
    undoes: null,
    change: {
      id: randomUUID(),
      kind: 'placeItem',
      item: 'throttle',
      to: {
        ...{ part: 'throttle-arm', place: { on: 'track', track: 'fwd-star', x: 1700, heading: 0 }, lift: 0, suppliedBy: 'shop' },
        ...{ note: '', mount: { hold: 'track', plate: false, reason: '' } },
      },
    },
  });
  await goStep(page, 'Lay out');
  const wrong = page.locator('pc-to-settle').getByText(/beyond the left hand while casting/);
  await expect(wrong).toBeVisible();
  await page
    .getByRole('button', { name: /Throttle on an arm/ })
    .first()
    .click();
  await page.locator('pc-card').getByRole('button', { name: 'To the other side' }).first().click();
  await expect(wrong).toBeHidden();
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  await page.getByRole('radio', { name: 'Hands' }).click();
  await expect(page.locator('.hand.port').filter({ hasText: 'Throttle on an arm' }).first()).toBeVisible();

  // A guest's body is a set's.
  await newSet(page, 'guest');
  await page.getByRole('button', { name: 'Who sits, and how' }).click();
  const guest = page.locator('pc-who-sits');
  await guest.getByLabel('Guest’s height').fill(`4' 11"`);
  await guest.getByLabel('Guest’s height').press('Enter');
  await expect(guest.getByText('The guest’s weight too.')).toBeVisible();
  await guest.getByLabel('Guest’s weight').fill('20 lb');
  await guest.getByLabel('Guest’s weight').press('Enter');
  await expect(guest.getByText(/From 45 lb/)).toBeVisible();
  await guest.getByLabel('Guest’s weight').fill('115 lb');
  await guest.getByLabel('Guest’s weight').press('Enter');
  await expect(guest.getByText('The guest’s weight too.')).toBeHidden();
  await allSaved(page);

  await goStep(page, 'Hand over');
  await expect(page.getByRole('heading', { name: 'Which control, which hand' })).toBeVisible();
  const { url } = await tell<{ url: string }>(page, `/api${rig}/owner-link`, {});
  await page.goto(url);
  await page.getByRole('button', { name: 'Which control, which hand' }).click();
  await expect(page.getByText(/sets the motor’s speed: left hand/)).toBeVisible();
});
