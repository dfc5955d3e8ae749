import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, expect, type Page, test } from '@playwright/test';
import sharp from 'sharp';
import { Cable } from './cable';
import { allSaved, goStep, holdUntil, measureBoat, newRig, putAboard, putBitIn, signIn, signOut } from './shop';

interface Told {
  readonly kind: string;
  readonly by: string;
  readonly label?: string;
  readonly photo?: string;
  readonly id: string;
}

test('the network goes: holes are marked, survive a restart, change hands by PIN, and go out in order, once', async ({
  page: frontDesk,
  launchOptions,
  baseURL,
}) => {
  const direct = Number(new URL(baseURL ?? '').port);
  const cable = await Cable.lay(direct, direct + 40);
  const folder = await mkdtemp(join(tmpdir(), 'tablet-'));
  const tablet = async (): Promise<{ context: BrowserContext; page: Page }> => {
    const context = await chromium.launchPersistentContext(folder, {
      ...launchOptions,
      baseURL: cable.address,
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'allow',
    });
    return { context, page: context.pages()[0] ?? (await context.newPage()) };
  };
  // The desk lays out a rig on its own line.
  await signIn(frontDesk, 'ama');
  const rig = await newRig(frontDesk, 'rig without a network', 'Odile Marchand');
  await goStep(frontDesk, 'Lay out');
  await putAboard(frontDesk, 'Pad eye', 3300, 0);
  await allSaved(frontDesk);
  const told = async (): Promise<Told[]> =>
    frontDesk.evaluate(async (url) => ((await (await fetch(`/api${url}`)).json()) as { facts: Told[] }).facts, rig);

  let { context, page } = await tablet();
  // Both begin with the usual preferences.
  await signIn(page, 'mara');
  await signOut(page);
  await signIn(page, 'tom');
  // Both riggers have been on this tablet by PIN.
  const switchUser = async (name: string, pin: string): Promise<void> => {
    await page.locator('.who').click();
    await page.getByRole('radio', { name }).click();
    await page.getByLabel('PIN', { exact: true }).fill(pin);
    await page.getByRole('button', { name: 'Switch' }).click();
    await expect(page.locator('.who')).toHaveText(name);
  };
  await switchUser('Mara Voss', '7312');
  await switchUser('Tom Hale', '2590');
  await switchUser('Mara Voss', '7312');
  await page.goto(`${rig}/drill`);
  await measureBoat(page);
  await allSaved(page);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.reload();
  // The worker takes in the whole page when it has nothing else to do.
  const allThere = (): Promise<boolean> =>
    page.evaluate(async () => {
      const { assetGroups } = (await (await fetch('/ngsw.json')).json()) as { assetGroups: { urls: string[] }[] };
      const wanted = assetGroups.reduce((sum, g) => sum + g.urls.length, 0);
      const names = (await caches.keys()).filter((k) => k.endsWith('assets:app:cache'));
      const kept = await Promise.all(names.map(async (k) => (await (await caches.open(k)).keys()).length));
      return navigator.serviceWorker.controller !== null && kept.reduce((a, b) => a + b, 0) >= wanted;
    });
  await expect.poll(allThere, { timeout: 60_000 }).toBe(true);
  await expect(page.getByText('0 of 2 drilled')).toBeVisible();

  await cable.pull();
  const photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#336655' } })
    .jpeg()
    .toBuffer();
  await putBitIn(page);
  await page.getByLabel('Add a photo').setInputFiles({ name: 'hole.jpg', mimeType: 'image/jpeg', buffer: photo });
  await expect(page.getByText('Photo goes with it')).toBeVisible();
  await holdUntil(page, 'piloted', page.getByText('Last: '));
  await expect(page.getByText('Not sent yet: ')).toBeVisible();
  await holdUntil(page, 'piloted', page.getByText('2 waiting to be sent'));
  await context.close();

  // The tablet is started again, still without the network; the other rigger takes it.
  ({ context, page } = await tablet());
  await page.goto('/');
  await expect(page.getByText('no network')).toBeVisible();
  await page.locator('.facts').getByRole('link').first().click();
  await expect(page.getByText("this is the tablet's own copy")).toBeVisible();
  await expect(page.getByText('2 waiting to be sent')).toBeVisible();
  await expect(page.locator('.who')).toHaveText('Mara Voss');
  await page.locator('.who').click();
  await page.getByRole('radio', { name: 'Tom Hale' }).click();
  await page.getByLabel('PIN', { exact: true }).fill('9999');
  await page.getByRole('button', { name: 'Switch' }).click();
  await expect(page.getByRole('alert')).toContainText('The PIN is not right');
  await page.getByLabel('PIN', { exact: true }).fill('2590');
  await page.getByRole('button', { name: 'Switch' }).click();
  await expect(page.locator('.who')).toHaveText('Tom Hale');
  await putBitIn(page);
  await holdUntil(page, /^Hold: /, page.getByText('3 waiting to be sent'));

  // Meanwhile another measures the first hole on their own line, 3 mm off.
  const before = await told();
  expect(before.filter((f) => f.kind === 'holeDrilled').length).toBe(0);
  await frontDesk.goto(`${rig}/drill`);
  await putBitIn(frontDesk);
  await frontDesk.getByRole('button', { name: 'Something else happened' }).click();
  const reads = await frontDesk.locator('.huge').first().locator('.hidden').textContent();
  const [whole = '0', part] = (reads ?? '').replace(' in', '').split(' ');
  await frontDesk.getByLabel('Measured from BOW TIP').fill(`${Number(whole)}${part ? ` ${part}` : ''}`);
  await frontDesk.getByLabel('Measured off centre').fill('1/8');
  await frontDesk.getByRole('radio', { name: 'starboard' }).click();
  await frontDesk.getByRole('button', { name: 'Drilled there' }).click();
  await allSaved(frontDesk);

  await cable.plug();
  await expect(page.getByText('all changes saved')).toBeVisible({ timeout: 30_000 });
  const facts = await told();
  const holes = facts.filter((f) => f.kind === 'holeDrilled' || f.kind === 'holeOpened');
  expect(holes.map((f) => [f.kind, f.by])).toEqual([
    ['holeDrilled', 'Ama Lindqvist'],
    ['holeDrilled', 'Mara Voss'],
    ['holeDrilled', 'Mara Voss'],
    ['holeOpened', 'Tom Hale'],
  ]);
  expect(new Set(facts.map((f) => f.id)).size).toBe(facts.length);
  const pictured = holes.find((f) => f.photo);
  expect(await frontDesk.evaluate(async (url) => (await fetch(url)).status, `/api${rig}/photos/${pictured?.photo}`)).toBe(200);
  // Both measures of the hole are kept, and it is a finding.
  await page.reload();
  await page.getByRole('button', { name: /^A1/ }).first().click();
  await expect(page.locator('pc-finding-box').filter({ hasText: 'measured' }).first()).toBeVisible();
  await context.close();
  await cable.pull();
  await rm(folder, { recursive: true, force: true });
});

test('a sign-in that ran out while the network was gone loses nothing', async ({ page, browser, baseURL }) => {
  const direct = Number(new URL(baseURL ?? '').port);
  const cable = await Cable.lay(direct, direct + 41);
  await signIn(page, 'ama');
  const rig = await newRig(page, 'rig of a worn-out sign-in', 'Rosa Imbert');
  const context = await browser.newContext({ baseURL: cable.address, viewport: { width: 1280, height: 800 } });
  const tablet = await context.newPage();
  await signIn(tablet, 'mara');
  await tablet.goto(`${rig}/build`);
  await expect(tablet.getByText('all changes saved')).toBeVisible();
  await cable.pull();
  await tablet.getByRole('checkbox').first().check();
  await expect(tablet.getByText('1 waiting to be sent').or(tablet.getByText('2 waiting to be sent'))).toBeVisible();
  // The shop's session ended meanwhile.
  await context.clearCookies();
  await cable.plug();
  await expect(tablet.getByRole('button', { name: 'Sign in' })).toBeVisible({ timeout: 30_000 });
  await tablet.getByLabel('Login').fill('tom');
  await tablet.getByLabel('Password').fill('bench-two');
  await tablet.getByRole('button', { name: 'Sign in' }).click();
  await expect(tablet.getByText('all changes saved')).toBeVisible({ timeout: 30_000 });
  const facts = await page.evaluate(
    async (url) => ((await (await fetch(`/api${url}`)).json()) as { facts: { kind: string; by: string }[] }).facts,
    rig,
  );
  expect(facts.filter((f) => f.kind === 'stepDone').map((f) => f.by)).toEqual(['Mara Voss']);
  await context.close();
  await cable.pull();
});
