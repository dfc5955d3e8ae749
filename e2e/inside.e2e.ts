import { expect, test } from '@playwright/test';
import { allSaved, choose, dragOnBoat, faultOf, goStep, newRig, pointOnBoat, signIn } from './shop';

test('a battery goes inside: offered a room, dragged to one it does not fit, fixed, laid down, and kept', async ({ page }) => {
  await signIn(page, 'idris');
  await newRig(page, 'power below', 'Under Deck');
  await goStep(page, 'Lay out');
  const find = page.getByRole('searchbox', { name: 'Find a part' });
  const card = page.locator('pc-card');
  const deck = page.getByRole('switch', { name: 'Deck off' });

  // Its usual place is inside: the deck comes off, and a room that takes it is offered.
  await find.fill('Battery 30 Ah');
  await page.locator('.parts button').first().click();
  await expect(deck).toBeChecked();
  await expect(page.getByText('Tap the room where Battery 30 Ah, lithium goes.')).toBeVisible();
  // A tap beside the rooms puts nothing down.
  const beside = await pointOnBoat(page, 1700, 150);
  await page.mouse.click(beside.x, beside.y);
  await expect(page.getByText('No room there: tap one of the rooms inside')).toBeAttached();
  await page.getByRole('button', { name: 'Into the bow hold' }).click();
  await expect(card.getByText('bow hold', { exact: true })).toBeVisible();
  await expect(card.getByRole('radio', { name: /Straps to tie points/ })).toBeChecked();
  await expect(page.getByText(/^Goes in by the foredeck hatch/)).toBeVisible();
  await expect(page.getByText(/^Its plug is reached by the foredeck hatch/)).toBeVisible();
  await expect(page.getByText('Nothing to settle here.')).toBeVisible();

  // Dragged aft under the tank well: it does not pass the round hatch there, and wants to be dry.
  await dragOnBoat(page, [655, 0], [2800, 0]);
  const wrong = page.locator('pc-to-settle').getByText(/Battery 30 Ah, lithium does not pass the tank-well hatch: .* too big/);
  await expect(wrong).toBeVisible();
  await expect(card.getByText(/Battery 30 Ah, lithium wants to be dry; the stern hold is damp/)).toBeVisible();
  await card.getByRole('button', { name: 'Into the bow hold' }).first().click();
  await expect(wrong).toBeHidden();
  await expect(page.getByText('Nothing to settle here.')).toBeVisible();
  await allSaved(page);

  // Laid on its side, typed to a place, and refused where the hull ends.
  await choose(page, 'Lies', 'on its side');
  await page.getByLabel('Off centre, starboard +').fill('40');
  await page.getByLabel('Off centre, starboard +').press('Enter');
  await expect(faultOf(page, 'Off centre, starboard +')).toContainText('That is off the hull here.');
  await page.getByLabel('Off centre, starboard +').fill('2');
  await page.getByLabel('Off centre, starboard +').press('Enter');
  await expect(page.getByLabel('Off centre, starboard')).toHaveValue('2');
  await allSaved(page);

  // The deck back on: it is drawn under it, and found in the list.
  await deck.click();
  await expect(page.locator('pc-boat-view [data-fitting]')).toHaveCount(0);
  await page.getByRole('button', { name: 'A, Battery 30 Ah, lithium' }).click();
  await expect(deck).toBeChecked();
  await page.reload();
  await page.getByRole('button', { name: 'A, Battery 30 Ah, lithium' }).click();
  await expect(page.getByRole('combobox', { name: 'Lies' })).toContainText('on its side');
});
