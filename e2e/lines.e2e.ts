import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { allSaved, choose, downloadOf, goStep, newRig, readPdf, signIn, tell } from './shop';

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
  await allSaved(page);

  // Led over the deck it would lie where the legs are.
  await list.getByRole('button', { name: 'anchor trolley' }).click();
  await choose(page, 'Way', 'over the deck');
  await expect(card.getByText(/lies where the legs are/)).toBeVisible();
  await choose(page, 'Way', 'outside starboard');
  await expect(card.getByText(/lies where the legs are/)).toBeHidden();
  await allSaved(page);

  // What hangs on a line holds it: its trolley goes last, and the sheet has both.
  const sheet = readPdf(await downloadOf(page, page.getByRole('link', { name: 'Line sheet' })));
  expect((await sheet).text).toContain('Cut list, by cord');
  await goStep(page, 'Price');
  await expect(page.getByText('Cord, nylon, 6 mm')).toBeVisible();
  await expect(page.getByText('Cord, polyester, 4 mm')).toBeVisible();
});

test('what an earlier rig pulled and led is found aboard: taken as it is, moved, or made anew', async ({ page }) => {
  await signIn(page, 'idris');
  const first = await newRig(page, 'first summer', 'Owen Tarrel', 'tolvane-118');
  const deck = (x: number, y: number) => ({ on: 'deck', x, y, heading: 0 });
  const aboard = [
    ['bow', 'anchor-pulley', deck(215, 0), 'through'],
    ['stern', 'anchor-pulley', deck(3290, 0), 'through'],
    ['battery', 'battery-18', { on: 'space', space: 'bow-hold', x: 640, y: 0, heading: 0 }, 'loose'],
    ['sounder', 'sounder-arm-7', { on: 'track', track: 'fwd-port', x: 1450, heading: 0 }, 'track'],
  ] as const;
  const changes = [
    ...aboard.map(([item, part, place, hold]) => ({
      ...{ id: randomUUID(), kind: 'placeItem', item },
      to: { part, place, lift: 0, mount: { hold, plate: false, reason: '' }, suppliedBy: 'shop', note: '' },
    })),
    {
      ...{ id: randomUUID(), kind: 'routeRun', run: 'feed', from: null },
      to: { from: 'battery', to: 'sounder', lane: 'inside port', via: [], awg: null },
    },
    {
      ...{ id: randomUUID(), kind: 'leadLine', line: 'trolley', from: null },
      to: {
        ...{ use: 'anchor trolley', of: 'polyester', diameter: 5, way: 'outside starboard' },
        through: ['bow', 'stern'].map((at) => ({ at: 'tie', tie: `${at}.sheave` })),
      },
    },
  ];
  await tell(page, `/api${first}/changes`, {
    baseVersion: 0,
    change: { id: randomUUID(), kind: 'together', changes },
    undoes: null,
  });
  const { plan, owner, hull } = await page.evaluate(
    async (at) => (await fetch(at)).json() as Promise<{ plan: { id: string }; owner: { id: string }; hull: { id: string } }>,
    `/api${first}`,
  );
  const done = ['fit.battery', 'fit.sounder', 'fasten.bow', 'fasten.stern', 'pull.feed', 'lead.trolley'];
  await tell(page, `/api${first}/facts`, {
    facts: done.map((step) => ({
      ...{ id: randomUUID(), rig: plan.id, deviceTime: new Date().toISOString(), kind: 'stepDone', step },
    })),
  });
  const hulls = await page.evaluate(
    async () => (await fetch('/api/hulls')).json() as Promise<{ id: string; rigs: { id: string }[] }[]>,
  );
  const own = hulls.find((h) => h.rigs.some((r) => first.endsWith(r.id)))?.id;
  const { id } = await tell<{ id: string }>(page, '/api/rigs', {
    ...{ title: 'second summer', owner: { id: owner.id }, hull: hull.id, ownHull: own, serial: '', promised: null },
  });
  await page.goto(`/rigs/${id}/build`);
  const steps = page.locator('[data-step] strong');
  await expect(steps.filter({ hasText: 'Test circuit' })).toBeVisible();
  await expect(steps.filter({ hasText: /Pull wire|lead: / })).toHaveCount(0);

  // The cable lies there; led another way it is pulled again, in place of it a new one is bought.
  await goStep(page, 'Wire');
  const run = page.locator('pc-run-card');
  await expect(run.getByText(/, in the boat/)).toBeVisible();
  await run.getByRole('combobox', { name: 'Lane' }).click();
  await page.getByRole('option', { name: 'under gunwale port', exact: true }).click();
  await allSaved(page);
  await goStep(page, 'Build');
  await expect(steps.filter({ hasText: 'Pull wire' })).toBeVisible();
  await goStep(page, 'Price');
  await expect(page.getByText('AWG, tinned')).toHaveCount(0);
  await goStep(page, 'Wire');
  await run.getByRole('button', { name: 'Pull a new one' }).click();
  await expect(run.getByText(/, in the boat/)).toBeHidden();
  await allSaved(page);
  await goStep(page, 'Price');
  await expect(page.getByText('AWG, tinned')).toBeVisible();
  await goStep(page, 'Wire');

  // So does the trolley’s cord.
  await page.getByRole('tab', { name: 'Lines' }).click();
  const list = page.getByRole('table', { name: 'Lines' });
  await expect(list.getByRole('row', { name: /anchor trolley/ })).toContainText('on the boat');
  const sheet = await readPdf(await downloadOf(page, page.getByRole('link', { name: 'Line sheet' })));
  expect(sheet.text).toContain('Nothing: every line is on the boat.');
  const line = page.locator('pc-line-card');
  await line.getByRole('button', { name: 'Cut a new one' }).click();
  await expect(list.getByRole('row', { name: /anchor trolley/ })).not.toContainText('on the boat');
  await allSaved(page);
  await goStep(page, 'Build');
  await expect(steps.filter({ hasText: 'Cut and lead: anchor trolley' })).toBeVisible();
});
