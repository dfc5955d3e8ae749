import { expect, type Locator, type Page, test } from '@playwright/test';
import { allSaved, goStep, newRig, pointOnBoat, rangeOf, signIn, signOut, tell } from './shop';

/** What a rig is offered anew. */
const offerOf = (page: Page, name: string): Locator => page.getByRole('listitem').filter({ hasText: `${name}: revision` });

test('an assembly is built without a boat and placed on one', async ({ page }) => {
  await signIn(page, 'mara');
  await page.getByRole('tab', { name: 'Assemblies' }).click();
  const find = page.getByLabel('Find a part');
  await find.fill('lift-out pod');
  await page.getByRole('button', { name: 'New on this' }).first().click();
  await find.fill('battery 18');
  await page.getByRole('button', { name: 'Add on A', exact: true }).first().click();
  const aft = page.getByLabel('B aft of its middle');
  await aft.fill('sideways');
  await aft.press('Tab');
  await expect(page.getByRole('alert')).toContainText('is not a length');
  await aft.fill('3');
  await aft.press('Tab');
  // The letter is dragged a little to starboard, which lies above.
  const letter = page.locator('[data-fitting="battery-18"]');
  const box = await letter.boundingBox();
  if (!box) throw new Error('no letter');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 12, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByLabel('B to starboard')).not.toHaveValue('0');
  await page.getByRole('button', { name: 'Save to the library' }).click();
  await expect(page.getByRole('alert')).toContainText('Name: call it something');
  await page.getByLabel('Name', { exact: true }).fill('Pod, battery only');
  await page.getByLabel('Name', { exact: true }).press('Tab');
  await page.getByRole('button', { name: 'Save to the library' }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();

  await signOut(page);
  await signIn(page, 'ama');
  await newRig(page, 'with a pod', 'Pod Owner');
  await goStep(page, 'Lay out');
  await page.getByRole('searchbox', { name: 'Find a part' }).fill('pod, battery');
  await page.getByRole('button', { name: /Pod, battery only/ }).click();
  await expect(page.getByText('Tap the hull where')).toBeVisible();
  const at = await pointOnBoat(page, 2700, 0);
  await page.mouse.click(at.x, at.y);
  await expect(page.getByRole('list', { name: 'What it is made of' }).getByRole('listitem')).toHaveCount(2);
  await allSaved(page);
});

test('a manager changes the rules; an open rig is told what they alter, takes them, and takes it back', async ({ page }) => {
  await signIn(page, 'idris');
  const rig = await newRig(page, 'under old rules', 'Rules Owner');
  await page.getByRole('tab', { name: 'Shop' }).click();
  await page.getByLabel('Tax', { exact: true }).fill('95');
  await page.getByLabel('Tax', { exact: true }).press('Tab');
  await expect(page.getByRole('alert')).toContainText('At most 40');
  await page.getByLabel('Tax', { exact: true }).fill('7.5');
  await page.getByLabel('Tax', { exact: true }).press('Tab');
  await page.getByLabel('Setting up').fill('60');
  await page.getByLabel('Setting up').press('Tab');
  await page.getByRole('button', { name: 'Add a list' }).click();
  await page.getByLabel('Name of the list').last().fill('Harbor day');
  await page.getByLabel('Name of the list').last().press('Tab');
  await page.getByRole('button', { name: 'Save as a new revision' }).click();
  await expect(page.getByText('Saved as revision')).toBeVisible();

  await page.goto(`${rig}/brief`);
  const [charges, rules] = ['charges and labor', 'event rules'].map((group) => offerOf(page, `The shop’s ${group}`));
  if (!charges || !rules) throw new Error('no offers');
  await charges.getByRole('button', { name: 'See what changes' }).click();
  await expect(charges).toContainText('15 minutes more');
  await expect(page.getByText('Harbor day')).toHaveCount(0);
  await charges.getByRole('button', { name: /Update to revision/ }).click();
  // Each group is taken by itself.
  await expect(charges).toHaveCount(0);
  await expect(page.getByText('Harbor day')).toHaveCount(0);
  await rules.getByRole('button', { name: 'See what changes' }).click();
  await rules.getByRole('button', { name: /Update to revision/ }).click();
  await expect(rules).toHaveCount(0);
  await expect(page.getByText('Harbor day')).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByText('Harbor day')).toBeVisible();
  await goStep(page, 'Lay out');
  await page.locator('pc-palette').waitFor();
  await page.keyboard.press('Control+z');
  await expect(rules).toBeVisible();
  await expect(charges).toHaveCount(0);
});

test('a part beside the range is found and placed; a newer revision of it is offered, taken, and stays with the rig', async ({
  page,
}) => {
  await signIn(page, 'idris');
  const eye = (await rangeOf(page)).find((p) => p.id === 'pad-eye');
  const own = { ...eye, id: 'bollard-own', name: 'Bollard of our own', french: 'Bollard maison' };
  await tell(page, '/api/parts', { part: own, expects: 0, active: false });
  const rig = await newRig(page, 'a bollard', 'Bollard Owner');
  await goStep(page, 'Lay out');
  const find = page.getByRole('searchbox', { name: 'Find a part' });
  await find.fill('no such bollard');
  await expect(page.getByText('No part like that in the stores.')).toBeVisible();
  await find.fill('bollard own');
  const beside = page.getByRole('list', { name: 'Parts beside the range' });
  await beside.getByRole('button', { name: /Bollard of our own/ }).click();
  const at = await pointOnBoat(page, 3250, 0);
  await page.mouse.click(at.x, at.y);
  await expect(page.locator('pc-card').getByRole('heading', { name: 'Bollard of our own' })).toBeVisible();
  await allSaved(page);

  // Its price goes up: the rig keeps what it was made with until somebody takes the newer.
  const dearer = { ...own, sold: { ...(eye as unknown as { sold: object }).sold, priceCents: 98_700 } };
  await tell(page, '/api/parts', { part: dearer, expects: 1, active: false });
  await page.goto(`${rig}/price`);
  const offer = offerOf(page, 'Bollard of our own');
  await expect(offer).toContainText('revision 1 is now 2');
  await expect(page.getByText('987.00')).toHaveCount(0);
  await offer.getByRole('button', { name: 'See what changes' }).click();
  await expect(offer).toContainText('dearer');
  await offer.getByRole('button', { name: 'Update to revision 2' }).click();
  await expect(offer).toHaveCount(0);
  await expect(page.getByText('987.00').first()).toBeVisible();
  await allSaved(page);
  await page.reload();
  await expect(page.getByText('987.00').first()).toBeVisible();
  await goStep(page, 'Lay out');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(offer).toBeVisible();
  await goStep(page, 'Price');
  await expect(page.getByText('987.00')).toHaveCount(0);
});
