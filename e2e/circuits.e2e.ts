import { expect, test, type Page } from '@playwright/test';
import { allSaved, choose, downloadOf, readPdf, signIn } from './shop';

/** Opens the wiring of a rig of the demo. */
async function openWiring(page: Page, title: string): Promise<void> {
  const id = await page.evaluate(async (part) => {
    const { rigs } = (await (await fetch('/api/floor')).json()) as { rigs: { id: string; title: string }[] };
    return rigs.find((r) => r.title.includes(part))?.id;
  }, title);
  await page.goto(`/rigs/${id}/wire`);
  await expect(page.getByRole('table', { name: 'Cut list' })).toBeVisible();
}

/** The wire sheet as printed. */
async function sheetOf(page: Page): Promise<string> {
  await page.getByRole('tab', { name: 'Diagram' }).click();
  await expect(page.getByRole('img', { name: 'Diagram of the circuit' })).toBeVisible();
  const { text } = await readPdf(await downloadOf(page, page.getByRole('link', { name: 'Wire sheet' })));
  for (const said of ['Pulling order', 'Ends', 'How each is fished through and held']) expect(text).toContain(said);
  return text;
}

test('a bow motor, two batteries and outside charge ports: what fills each again, and a camera on a battery of its own', async ({
  page,
}) => {
  await signIn(page, 'mara');
  await openWiring(page, 'bird photographer');
  const sheet = await sheetOf(page);
  expect(sheet).toContain('charge, round');
  await page.getByRole('tab', { name: 'The day' }).click();
  const batteries = page.getByRole('table', { name: 'Batteries at the end of the day' });
  await expect(batteries.getByText(/by its port/)).toHaveCount(2);
  await expect(page.getByRole('table', { name: 'On batteries of their own' })).toContainText('Camera mast');
  await expect(page.getByText(/Wh are asked from USB\. A fed USB socket charges them\./)).toBeVisible();
});

test('running lights on relay channels, charged on the road', async ({ page }) => {
  await signIn(page, 'mara');
  await openWiring(page, 'night-tour');
  const sheet = await sheetOf(page);
  for (const said of ['what each way is called', 'mast light', 'lantern', 'trailer, two pin']) expect(sheet).toContain(said);
  await page.getByRole('tab', { name: 'The day' }).click();
  await expect(page.getByRole('table', { name: 'Batteries at the end of the day' })).toContainText(
    /by the towing car, \d+ % an hour/,
  );
});

test('two networked sounders on one battery: signal cables joined, taken apart, proposed again, printed', async ({ page }) => {
  await signIn(page, 'mara');
  await openWiring(page, 'river survey');
  const signals = page.getByRole('table', { name: 'Signal cables' });
  await expect(signals.getByRole('row', { name: /network, five pin/ })).toHaveCount(1);
  await expect(signals.getByRole('row', { name: /sonar, nine pin/ })).toHaveCount(2);

  // Without its cable nobody sees what a transducer hears; the fix plugs it in again.
  await signals.getByRole('button', { name: /Transducer arm, swinging/ }).click();
  const card = page.locator('pc-signal-card');
  await expect(card).toContainText('Comes with it, not cut');
  await card.getByRole('button', { name: 'Delete this run' }).click();
  const lost = page.getByText('No screen shows what Transducer arm, swinging senses.');
  await expect(lost.first()).toBeVisible();
  await page
    .getByRole('button', { name: /Plug it into/ })
    .first()
    .click();
  await expect(lost).toHaveCount(0);
  await allSaved(page);

  // A jack takes one cable: a second one into it is said, and taken out again.
  await choose(page, 'Conductors', 'none: a signal cable');
  const form = page.locator('form.new');
  const to = async (what: string): Promise<void> => {
    await form.getByRole('combobox', { name: 'To', exact: true }).click();
    await page.getByRole('option', { name: what, exact: true }).click();
  };
  await choose(page, 'From', 'K Transducer for a scupper');
  await to('K Transducer for a scupper');
  await form.getByRole('button', { name: 'Add run' }).click();
  await expect(form.getByText('A run joins two different fittings.')).toBeVisible();
  await to('D Sounder 7 in, deck arm');
  await form.getByRole('button', { name: 'Add run' }).click();
  await expect(page.getByText(/takes 1 of sonar, nine pin; 2 cables go to it/).first()).toBeVisible();
  await card.getByRole('button', { name: 'Delete this run' }).click();
  await expect(page.getByText(/2 cables go to it/)).toHaveCount(0);
  await allSaved(page);

  const sheet = await sheetOf(page);
  for (const said of ['Plugs', 'network, five pin', 'sonar, nine pin']) expect(sheet).toContain(said);
  await page.getByRole('button', { name: /^Print \d+ labels$/ }).click();
  await expect(page.getByRole('list', { name: 'Printed labels' }).getByRole('listitem').first()).toContainText('16 AWG');
});
