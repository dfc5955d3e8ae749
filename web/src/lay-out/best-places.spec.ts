import type { Plan } from '@plain-cleat/core/rig';
import { OpenRig } from '../testing/open-rig';
import { TEST_PART, testPlan } from '../testing/rig';
import LayOut from './lay-out';

const wished = (count = 1): Plan => ({ ...testPlan(), wishes: { w: { text: 'an eye to tie to', part: TEST_PART.id, count } } });

describe('the palette', () => {
  it('finds a part by what the trade calls it, not by its name alone', async () => {
    const tube = { ...TEST_PART, id: 'tube', name: 'Rod tube', french: 'Tube à canne' };
    const rig = await OpenRig.show(LayOut, testPlan(), { catalog: { parts: [TEST_PART, tube], consumables: [] } });
    await rig.enter('Find a part', 'rod holder');
    expect([...rig.element.querySelectorAll('.parts button')].map((b) => b.getAttribute('data-part'))).toEqual(['tube']);
  });
});

/** The worker is waited for, however slow the machine is, ms. */
const PATIENCE = 120_000;

describe('best places', () => {
  const show = (plan = wished()) => OpenRig.show(LayOut, plan);
  const placed = (rig: OpenRig<LayOut>) =>
    rig
      .sentChanges()
      .flatMap((c) => (c.kind === 'together' ? c.changes : [c]))
      .filter((c) => c.kind === 'placeItem');
  /** Until something is there: the worker answers when it has found it. */
  async function until(rig: OpenRig<LayOut>, selector: string): Promise<void> {
    while (!rig.element.querySelector(selector)) {
      await new Promise((resolve) => setTimeout(resolve, 20));
      await rig.fixture.whenStable();
    }
  }
  const press = async (rig: OpenRig<LayOut>, key: string): Promise<void> => {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await rig.fixture.whenStable();
  };

  it(
    'of a wish are numbered in the list and on the boat; a press places it there, and the wish is placed',
    async () => {
      const rig = await show();
      expect(rig.find('pc-open-wishes').textContent).toContain('0 of 1 placed');
      await rig.click('[data-wish=w]');
      await until(rig, '[data-place="1"]');
      expect(rig.element.querySelector('[data-offered="1"]')).not.toBeNull();
      await rig.click('[data-place="1"]');
      expect(placed(rig).length).toBe(1);
      expect(rig.find('pc-open-wishes').textContent).toContain('1 of 1 placed');
      expect(rig.element.querySelector('pc-best-places')).toBeNull();
    },
    PATIENCE,
  );

  it(
    'are taken by number keys, N takes up the next wish, and the next piece of a wish stays in the hand',
    async () => {
      const rig = await show(wished(2));
      await press(rig, 'n');
      await until(rig, '[data-place="1"]');
      await press(rig, '1');
      expect(rig.find('pc-open-wishes').textContent).toContain('1 of 2 placed');
      await until(rig, '[data-place="1"]');
      await press(rig, '1');
      expect(placed(rig).length).toBe(2);
      expect(rig.find('pc-open-wishes').textContent).toContain('1 of 1 placed');
    },
    PATIENCE,
  );

  it(
    'are taken by a tap on the outline, and put away with the part',
    async () => {
      const rig = await show();
      await rig.click('[data-wish=w]');
      await until(rig, '[data-offered="1"]');
      await press(rig, 'Escape');
      expect(rig.element.querySelector('[data-offered]')).toBeNull();
      await rig.click('[data-wish=w]');
      await until(rig, '[data-offered="1"]');
      await rig.click('[data-offered="1"]');
      expect(placed(rig).length).toBe(1);
    },
    PATIENCE,
  );

  it(
    'of all that is left are taken in one go, as one change',
    async () => {
      const rig = await show(wished(3));
      await rig.click('pc-open-wishes button', 'Place the rest');
      while (!rig.text.includes('pieces placed')) {
        await new Promise((resolve) => setTimeout(resolve, 20));
        await rig.fixture.whenStable();
      }
      expect(rig.sentChanges().length).toBe(1);
      expect(placed(rig).length).toBe(3);
    },
    PATIENCE,
  );
});
