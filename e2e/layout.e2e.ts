import { expect, type Page, test } from '@playwright/test';
import { allSaved, newRig, newSet, pointOnBoat, putAboard, setAboard, signIn } from './shop';

/** A whole layout on the wide hull: part, aft of the bow and off the centre line, mm, and the set it is for. */
const FITTINGS: readonly (readonly [part: string, x: number, y: number, set: 'all' | 'all-day' | 'trolling' | 'guest'])[] = [
  ['Bow light, red and green', 300, 60, 'all'],
  ['Battery 50 Ah, lithium', 1150, 120, 'all'],
  ['Fuse block, six', 1100, -150, 'all'],
  ['Foot pegs', 1350, -300, 'all'],
  ['Rod tube, raised', 2700, 378, 'all'],
  ['Rod tube, track, tilting', 2900, 378, 'all'],
  ['Sounder 7 in, deck arm', 1750, -420, 'all'],
  ['Chart board on track', 1800, 420, 'all'],
  ['Landing net, folding', 2450, 300, 'all'],
  ['Crate, open, 16 × 16', 2900, 0, 'all'],
  ['Jam cleat', 2150, -400, 'all'],
  ['Trolley pulley', 3480, -120, 'all'],
  ['Trolley pulley', 480, -200, 'all'],
  ['Pad eye', 700, -280, 'all'],
  ['Pad eye', 3300, -330, 'all'],
  ['Flip line and strap', 1900, -250, 'all'],
  ['Paddle, 2.5 m', 1700, 250, 'all'],
  ['Deck knife in sheath', 2200, 400, 'all'],
  ['Life jacket, slim', 2180, 0, 'all'],
  ['All-round light, pole', 3150, 378, 'all'],
  ['Hand pump', 1500, 300, 'all-day'],
  ['Cooler, 20 l', 3180, 0, 'all-day'],
  ['Dry bag, 20 l', 3250, -180, 'all-day'],
  ['Bottle holder', 2650, -378, 'all-day'],
  ['Trolling holder, 45° out', 2850, -378, 'trolling'],
  ['Trolling holder, 45° out, starboard', 3050, 378, 'trolling'],
  ['Downrigger, hand', 3100, -378, 'trolling'],
  ['Measuring board, 26 in', 1900, 100, 'trolling'],
  ['Seat pad, child', 1350, 0, 'guest'],
  ['Throw bag, 50 ft', 1650, -200, 'guest'],
];
const SETS = ['all-day', 'trolling', 'guest'] as const;
/** Eyes that its maker fits are aboard from the first. */
const STOCK = 2;
/** Most stands aboard already; a hand names the last set, and brings all of it and one for each other. */
const LAST = 'guest';
const BY_HAND = FITTINGS.filter((f, i) => f[3] === LAST || (f[3] !== 'all' && f[3] !== FITTINGS[i + 1]?.[3]));
const THERE = FITTINGS.filter((f) => !BY_HAND.includes(f));
const EARLIER = SETS.filter((set) => set !== LAST);

async function thirtyAboard(page: Page): Promise<void> {
  await allSaved(page);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'everything' })).toBeChecked();
  await expect(page.locator('pc-palette .letters li')).toHaveCount(30 + STOCK);
  for (const set of SETS) {
    await page.getByRole('radio', { name: new RegExp(`^${set}`) }).click();
    const own = FITTINGS.filter((f) => f[3] === 'all' || f[3] === set).length;
    await expect(page.locator('pc-palette .letters li')).toHaveCount(own + STOCK);
  }
}

test('a full layout of thirty fittings and three sets, its sets laid out by mouse', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page, 'ama');
  const rig = await newRig(page, 'thirty by mouse', 'Mouse Hand', 'quenby-126-wide');
  await setAboard(page, rig, THERE, EARLIER);
  await page.goto(`${rig}/lay-out`);
  await expect(page.locator('pc-palette .letters li')).toHaveCount(THERE.length + STOCK);
  await newSet(page, LAST);
  for (const [part, x, y, set] of BY_HAND) {
    await page.getByRole('radio', { name: new RegExp(`^${set}`) }).click();
    await putAboard(page, part, x, y);
  }
  await thirtyAboard(page);

  // Dragged with everything on: how long the frames took is told, not judged.
  await page.getByRole('radio', { name: 'everything' }).click();
  const [from, to] = [await pointOnBoat(page, 2900, 0), await pointOnBoat(page, 2960, 0)];
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { frameTimes: times });
    let last = performance.now();
    const tick = (now: number): void => {
      times.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 30 });
  await expect(page.locator('svg.loupe')).toBeVisible();
  await page.mouse.up();
  const frames = await page.evaluate(() => (window as unknown as { frameTimes: number[] }).frameTimes.sort((a, b) => a - b));
  const at = (share: number): string => (frames[Math.floor(frames.length * share)] ?? 0).toFixed(1);
  test.info().annotations.push({
    type: 'frames',
    description: `${frames.length} frames, half under ${at(0.5)} ms, nine in ten under ${at(0.9)} ms`,
  });
  console.log(`drag with 30 fittings: half of ${frames.length} frames under ${at(0.5)} ms, nine in ten under ${at(0.9)} ms`);
  await allSaved(page);

  // Several at once: a frame drawn round them, how far two are apart, lined up, undone.
  const [a, b] = [await pointOnBoat(page, 2600, 430), await pointOnBoat(page, 2960, 330)];
  await page.keyboard.press('Escape');
  await page.keyboard.down('Shift');
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(b.x, b.y, { steps: 6 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(page.getByRole('heading', { name: '2 fittings chosen' })).toBeVisible();
  await expect(page.getByText('Apart, pulled taut')).toBeVisible();
  await page.getByRole('button', { name: 'Group', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ungroup' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Group', exact: true })).toBeVisible();

  // A place pointed at first: what suits it comes up.
  await page.getByRole('button', { name: 'Clear selection' }).click();
  const well = await pointOnBoat(page, 2720, -120);
  await page.mouse.click(well.x, well.y);
  await expect(page.getByRole('heading', { name: 'What suits this place' })).toBeVisible();
  await expect(page.locator('.parts')).toContainText('drops into the well');
  await page.keyboard.press('Escape');

  // The tape hooked anywhere, and a closer look.
  const tape = await page.locator('pc-boat-view .hookable').boundingBox();
  await page.mouse.click((tape?.x ?? 0) + (tape?.width ?? 0) / 2, (tape?.y ?? 0) + 12);
  await expect(page.locator('.how')).toContainText('A MARK ON THE BOAT');
  await page.getByRole('button', { name: 'Zoom in' }).click();
  await expect(page.locator('pc-boat-view svg[role=group]')).not.toHaveAttribute('data-zoom', '1');
  await page.getByRole('button', { name: 'Whole boat' }).click();
  await expect(page.locator('pc-boat-view svg[role=group]')).toHaveAttribute('data-zoom', '1');
});

test('the same by keyboard alone', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page, 'ama');
  const rig = await newRig(page, 'thirty by keys', 'Key Hand', 'quenby-126-wide');
  await setAboard(page, rig, THERE, EARLIER);
  await page.reload();
  await page.getByRole('button', { name: /^Units/ }).focus();
  await page.keyboard.press('Enter');
  // Along the steps by the arrows, as along any tabs.
  await page.getByRole('tab', { name: 'Brief' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'Receive' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'Lay out' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('pc-palette .letters li')).toHaveCount(THERE.length + STOCK);
  await page.getByRole('button', { name: 'New set' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('New set').focus();
  await page.keyboard.type(LAST);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: new RegExp(`^${LAST}`) })).toBeChecked();
  await page.keyboard.press('Escape');
  const show = async (set: string): Promise<void> => {
    const chosen = page.getByRole('radio', { name: new RegExp(`^${set}`) });
    await chosen.focus();
    await page.keyboard.press('Enter');
    await expect(chosen).toBeChecked();
  };
  for (const [part, x, y, set] of BY_HAND) {
    await show(set);
    await page.keyboard.press('/');
    const find = page.getByRole('searchbox', { name: 'Find a part' });
    await expect(find).toBeFocused();
    await page.keyboard.type(part);
    await expect(page.locator('.parts button').first()).toContainText(part);
    await page.keyboard.press('Enter');
    await expect(page.locator('pc-card h2')).toHaveText(part);
    // What came by key is typed exactly at once; off the centre line first, since the taut tape reads both.
    const off = page.getByLabel(/^Off centre/);
    await expect(page.locator('.exact input').first()).toBeVisible();
    if (await off.isEnabled()) {
      await off.focus();
      await page.keyboard.press('Control+A');
      await page.keyboard.type(String(Math.abs(y)));
      await page.keyboard.press('Shift+Tab');
      await expect(off).toHaveValue(String(Math.abs(y)));
    }
    const reading = page.getByLabel('From bow tip, along the centre line');
    if (await reading.isEnabled()) {
      await reading.focus();
      await page.keyboard.press('Control+A');
      await page.keyboard.type(String(x));
      await page.keyboard.press('Tab');
    }
    if (!/[Tt]rack|board on|arm|Rod tube|Trolling|Downrigger|Bottle|light, pole/.test(part))
      await expect(reading).toHaveValue(String(x));
    await page.keyboard.press('Escape');
  }
  await thirtyAboard(page);

  // Two chosen while walking, and moved as one.
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Control+Space');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Control+Space');
  await expect(page.getByRole('heading', { name: '2 fittings chosen' })).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await page.keyboard.press('Space');
  await page.keyboard.press('Escape');
  await expect(page.locator('pc-palette')).toBeVisible();
});
