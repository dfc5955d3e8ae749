import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page } from '@playwright/test';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

export const PASSWORDS = { ama: 'quay-street', mara: 'bench-one', tom: 'bench-two', idris: 'slack-tide' } as const;

/** Signs in as one does, by the form. */
export async function signInByForm(page: Page, login: keyof typeof PASSWORDS): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Login').fill(login);
  await page.getByLabel('Password').fill(PASSWORDS[login]);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Bench 1' })).toBeVisible();
}

/** Says something to the server as whoever is signed in on the page. */
export async function tell<T>(page: Page, path: string, data: object): Promise<T> {
  const { csrf } = (await (await page.request.get('/api/session')).json()) as { csrf: string };
  const answer = await page.request.post(path, { data, headers: { 'x-csrf-token': csrf } });
  expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
  return (await answer.json()) as T;
}

/** Somebody is signed in, with the usual preferences, and on the floor. */
export async function signIn(page: Page, login: keyof typeof PASSWORDS): Promise<void> {
  const answer = await page.request.post('/api/sign-in', { data: { login, password: PASSWORDS[login] } });
  expect(answer.ok(), await answer.text()).toBe(true);
  await tell(page, '/api/preferences', { units: 'imperial', theme: 'device', papers: 'en', numbers: 'ask', dates: 'ask' });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Bench 1' })).toBeVisible();
}

/** Signs out; the server has forgotten them once the sign-in form stands there. */
export async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
}

/** Opens a new rig from the floor; returns its address. */
export async function newRigByForm(page: Page, title: string, owner: string, hull = 'Tolvane 118'): Promise<string> {
  await page.getByRole('button', { name: 'New rig' }).click();
  await page.getByRole('combobox', { name: "Owner's name" }).fill(owner);
  await page.getByLabel('What the rig is for').fill(title);
  await page.getByRole('combobox', { name: 'Hull' }).fill(hull);
  // Pressed as long as a person does.
  await page.getByRole('option', { name: hull }).click({ delay: 150 });
  await page.getByRole('button', { name: 'Open the rig' }).click();
  await expect(page).toHaveURL(/\/rigs\/[\w-]+\/brief/);
  await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
  return new URL(page.url()).pathname.replace('/brief', '');
}

/** A new rig is there, and its brief open; returns its address. */
export async function newRig(page: Page, title: string, owner: string, hull = 'tolvane-118'): Promise<string> {
  const rig = { title, owner: { name: owner, email: '' }, hull, ownHull: null, serial: '', promised: null };
  const { id } = await tell<{ id: string }>(page, '/api/rigs', rig);
  await page.goto(`/rigs/${id}/brief`);
  await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
  return `/rigs/${id}`;
}

interface Part {
  readonly id: string;
  readonly name: string;
  readonly holding: { readonly ways: readonly string[] };
}

/** The parts of the shop's range. */
export async function rangeOf(page: Page): Promise<Part[]> {
  const { range } = (await (await page.request.get('/api/stores')).json()) as { range: string };
  return (await (await page.request.get(`/api/range/${range}`)).json()) as Part[];
}

/** Puts parts aboard a rig without a hand: name, aft of the bow and off the centre line, mm, and the set or `all`. */
export async function setAboard(
  page: Page,
  rig: string,
  all: readonly (readonly [part: string, x: number, y: number, set: string])[],
  sets: readonly string[],
): Promise<void> {
  const parts = await rangeOf(page);
  const named = sets.map((set, i) => ({ kind: 'nameSet', set, from: null, to: { name: set, order: i + 1 } }));
  const placed = all.map(([name, x, y, set], i) => {
    const part = parts.find((p) => p.name === name);
    if (!part) throw new Error(`no part ${name}`);
    const hold = part.holding.ways.includes('loose') ? 'loose' : part.holding.ways[0];
    const to = { part: part.id, place: { on: 'deck', x, y, heading: 0 }, lift: 0, mount: { hold, plate: false, reason: '' } };
    const own = set === 'all' ? {} : { sets: [set] };
    return { kind: 'placeItem', item: `there-${i}`, to: { ...to, ...own, suppliedBy: 'shop', note: '' } };
  });
  const changes = [...named, ...placed].map((draft) => ({ ...draft, id: randomUUID() }));
  const change = { id: randomUUID(), kind: 'together', changes };
  await tell(page, `/api${rig}/changes`, { baseVersion: 0, change, undoes: null });
}

export const goStep = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('tablist', { name: 'Steps of the rig' }).getByRole('tab', { name }).click();
};

/** Names a new set from the bar over the strip; it is shown from then on. */
export async function newSet(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'New set' }).click();
  await page.getByLabel('New set').fill(name);
  await page.locator('pc-sets-bar').getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('radio', { name: new RegExp(`^${name}`) })).toBeChecked();
}

/** Takes one of a field's choices. */
export async function choose(page: Page, label: string, choice: string): Promise<void> {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: choice, exact: true }).click();
}

/** What is wrong with a field, under it. */
export const faultOf = (page: Page, label: string): Locator =>
  page.locator('mat-form-field', { has: page.getByLabel(label, { exact: true }) }).locator('mat-error');

/** Everything done here has reached the server. */
export const allSaved = (page: Page): Promise<void> => expect(page.getByText('all changes saved')).toBeVisible();

/** Where a place of the hull lies on the strip, bow to the left, as page coordinates: read off the drawing itself. */
export const pointOnBoat = (page: Page, x: number, y: number): Promise<{ x: number; y: number }> =>
  page.locator('pc-boat-view svg[role=group]').evaluate(
    (svg: SVGSVGElement, [mmX, mmY]) => {
      const read = (name: string): number => Number(svg.getAttribute(`data-${name}`));
      const drawn = new DOMPoint(read('bow') + mmX * read('per-mm'), read('middle') - mmY * read('per-mm'));
      const { x: left, y: top } = drawn.matrixTransform(
        svg.querySelector<SVGGElement>('#boat-drawing')?.getScreenCTM() ?? undefined,
      );
      return { x: left, y: top };
    },
    [x, y] as const,
  );

/** Drags what stands at one place of the hull to another. */
export async function dragOnBoat(page: Page, from: readonly [number, number], to: readonly [number, number]): Promise<void> {
  const [a, b] = [await pointOnBoat(page, ...from), await pointOnBoat(page, ...to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 4 });
  await page.mouse.move(b.x, b.y, { steps: 4 });
  await page.mouse.up();
}

/** Taps a part in the palette, then the hull. */
export async function putAboard(page: Page, part: string, x: number, y: number): Promise<void> {
  const find = page.getByRole('searchbox', { name: 'Find a part' });
  await expect(page.locator('pc-palette, pc-card')).toBeVisible();
  if (!(await find.isVisible())) await page.getByRole('button', { name: 'Parts', exact: true }).click();
  await find.fill(part);
  await page.locator('.parts button').first().click();
  // The line that says what is being placed moves the boat down: measure after it stands.
  await expect(page.getByText(/Tap the (hull|room) where/)).toBeVisible();
  const at = await pointOnBoat(page, x, y);
  await page.mouse.click(at.x, at.y);
  await expect(page.locator('pc-card h2')).toHaveText(part);
}

/** Types the known distances of this boat as the drawing has them: drilling unlocks. */
export async function measureBoat(page: Page): Promise<void> {
  await expect(page.getByText('Locked.')).toBeVisible();
  const rows = page.locator('pc-before-first pc-quantity', { hasText: 'drawn' });
  for (let i = 0; i < (await rows.count()); i++) {
    const label = (await rows.nth(i).textContent()) ?? '';
    const input = rows.nth(i).locator('input');
    await input.fill(/drawn (.+?) in/.exec(label)?.[1] ?? '');
    await input.press('Tab');
    await expect(page.getByText(/^Measured .+(the drawing|as drawn)\.$/)).toHaveCount(i + 1);
  }
  await expect(page.getByText('Locked.')).toHaveCount(0);
}

/** Puts in the bit the drill step asks for. */
export const putBitIn = (page: Page): Promise<void> => page.getByRole('button', { name: 'is in the drill' }).click();

/** Holds the marking button with the mouse until what it leads to is there. */
export async function holdUntil(page: Page, word: string | RegExp, then: Locator): Promise<void> {
  const button = page.getByRole('button', { name: typeof word === 'string' ? `Hold: ${word}` : word });
  await button.scrollIntoViewIfNeeded();
  const box = await button.boundingBox();
  if (!box) throw new Error('no button to hold');
  await page.mouse.move(box.x + 40, box.y + 40);
  await page.mouse.down();
  await expect(then).toBeVisible();
  await page.mouse.up();
}

/** Says of every check of the bench test, on the open tab, that it was right. */
export async function checkCircuit(page: Page, count: number): Promise<void> {
  const right = page.getByRole('table', { name: 'Checks' }).getByRole('radio', { name: 'right' });
  await expect(right).toHaveCount(count);
  for (let i = 0; i < count; i++) {
    await right.nth(i).click();
    await expect(right.nth(i)).toBeChecked();
  }
  await expect(page.getByText(`0 of ${count} still to do`)).toBeVisible();
}

export async function downloadOf(page: Page, link: Locator): Promise<Buffer> {
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  return readFile(await download.path());
}

/** A PDF read back: its text, and the straight lines drawn in it with their lengths in points. */
export async function readPdf(bytes: Buffer): Promise<{ text: string; lines: number[] }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  let text = '';
  const lines: number[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const page = await pdf.getPage(i);
    text += (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
    const { fnArray, argsArray } = await page.getOperatorList();
    fnArray.forEach((fn, n) => {
      if (fn !== OPS.constructPath) return;
      const [, [path]] = argsArray[n] as [number, [Float32Array | null]];
      // Moves and lines come as op, x, y: 0 is move, 1 is line.
      if (path && path.length === 6 && path[0] === 0 && path[3] === 1)
        lines.push(Math.hypot((path[4] ?? 0) - (path[1] ?? 0), (path[5] ?? 0) - (path[2] ?? 0)));
    });
  }
  return { text: text.replace(/\s+/g, ' '), lines };
}
