import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { allKept, choose, downloadOf, goStep, newRig, readPdf, signIn, tell } from './shop';

test('lines from nothing: proposed, judged in a stream, led another way, priced and printed', async ({ page }) => {
  await signIn(page, 'idris');
  const rig = await newRig(page, 'anchored from nothing', 'Owen Tarrel', 'tolvane-118');
  const deck = (x: number, y: number) => ({ on: 'deck', x, y, heading: 0 });
  const aboard = [
    ['bow', 'anchor-pulley', deck(215, 0), 'through', {}],
    ['stern', 'anchor-pulley', deck(3290, 0), 'through', {}],
    ['cleat', 'jam-cleat', deck(1900, 340), 'rivet', {}],
    ['anchor', 'anchor-3', deck(2720, 0), 'loose', {}],
    ['board', 'measuring-board', deck(1740, -80), 'loose', { tether: { to: null, length: 700 } }],
  ] as const;
  const changes = aboard.map(([item, part, place, hold, more]) => ({
    ...{ id: randomUUID(), kind: 'placeItem', item },
    to: { part, place, lift: 0, mount: { hold, plate: false, reason: '' }, suppliedBy: 'shop', note: '', ...more },
  }));
  await tell(page, `/api${rig}/changes`, {
    baseVersion: 0,
    change: { id: randomUUID(), kind: 'together', changes },
    undoes: null,
  });
  await page.goto(`${rig}/wire`);
  await page.getByRole('tab', { name: 'Lines' }).click();
  await expect(page.getByText('No line yet.')).toBeVisible();
  await expect(page.getByText(/Tethers, polyester, 4 mm:/)).toBeVisible();

  // One added from nowhere is refused in words, then all are proposed.
  await page.getByRole('button', { name: 'Add line' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Say where it begins' })).toBeVisible();
  await page.getByRole('button', { name: 'Propose the lines' }).click();
  const list = page.getByRole('table', { name: 'Lines' });
  await expect(list.getByRole('row')).toHaveCount(3);
  const card = page.locator('pc-line-card');
  await expect(card.getByText(/^As proposed\. A loop between/)).toBeVisible();

  // In a stream the anchor is too light and the boat may lie across it; a cable tie is proposed on rock.
  await list.getByRole('button', { name: 'anchor line' }).click();
  await card.getByRole('button', { name: 'Where it is to hold' }).click();
  const stream = card.getByLabel('Stream');
  await stream.fill('3');
  await stream.press('Enter');
  await expect(card.getByText(/lighter than wind and stream ask/)).toBeVisible();
  await expect(card.getByText(/With the ring amidships the boat lies \d+° to a stream/)).toBeVisible();
  await choose(page, 'Bottom', 'rock');
  await expect(card.getByText('Nothing breaks away where the anchor fouls on rock.')).toBeVisible();
  const overboard = card.getByLabel('Line overboard');
  await overboard.fill('a lot');
  await overboard.press('Enter');
  await expect(card.getByRole('alert').filter({ hasText: 'a lot' })).toBeVisible();
  await overboard.fill('30 ft');
  await overboard.press('Enter');
  await expect(card.getByText(/short of 5 times the depth/)).toBeVisible();
  await card.getByRole('button', { name: 'As much as the depth asks' }).click();
  await expect(card.getByText(/short of 5 times the depth/)).toBeHidden();
  await allKept(page);

  // Led over the deck it would lie where the legs are.
  await list.getByRole('button', { name: 'anchor trolley' }).click();
  await choose(page, 'Way', 'over the deck');
  await expect(card.getByText(/lies where the legs are/)).toBeVisible();
  await choose(page, 'Way', 'outside starboard');
  await expect(card.getByText(/lies where the legs are/)).toBeHidden();
  await allKept(page);

  // What hangs on a line holds it: its trolley goes last, and the sheet has both.
  const sheet = readPdf(await downloadOf(page, page.getByRole('link', { name: 'Line sheet' })));
  expect((await sheet).text).toContain('Cut list, by cord');
  await goStep(page, 'Price');
  await expect(page.getByText('Cord, nylon, 6 mm')).toBeVisible();
  await expect(page.getByText('Cord, polyester, 4 mm')).toBeVisible();
});
