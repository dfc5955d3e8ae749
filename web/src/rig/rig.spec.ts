import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Change } from '@plain-cleat/core/rig';
import { OpenRig, rigDocument } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import Rig from './rig';

@Component({ imports: [Rig], template: `<pc-rig rig="rig-1" />` })
class Page {}

const change = <T extends object>(draft: T): Change => ({ ...draft, id: crypto.randomUUID() }) as unknown as Change;
const note = (to: string): Change => change({ kind: 'noteItem', item: 'box', from: '', to });

describe('the frame of a rig', () => {
  const plan = laidPlan();
  /** What lies over the page: dialogs and snack bars. */
  const over = (): string => (document.querySelector('.cdk-overlay-container')?.textContent ?? '').replace(/\s+/g, ' ');
  const press = (says: string): void => {
    const buttons = [...document.querySelectorAll<HTMLButtonElement>('.cdk-overlay-container button')];
    buttons.find((b) => b.textContent?.trim() === says)?.click();
  };
  /** Until what is waited for is there: dialogs come and go by animation frames. */
  async function until(true_: () => boolean): Promise<void> {
    for (let i = 0; i < 200; i++) {
      if (true_()) return;
      await new Promise((r) => setTimeout(r, 10));
      TestBed.tick();
    }
    fail(over());
  }

  async function show(): Promise<OpenRig<Page>> {
    TestBed.overrideComponent(Rig, { set: { providers: [] } });
    const rig = await OpenRig.show(Page, plan);
    for (const call of rig.http.match('/api/rigs/rig-1')) call.flush(rigDocument(plan));
    await until(() => rig.store.state() !== null);
    for (const call of rig.http.match('/api/rigs/rig-1/newer'))
      call.flush({ hull: null, materials: null, shop: null, parts: [] });
    await rig.fixture.whenStable();
    return rig;
  }

  /** The server had theirs first; what it holds now comes with the answer. */
  async function clash(rig: OpenRig<Page>, theirs: string, mine: Change): Promise<void> {
    rig.store.change(mine);
    const problem = { type: 'about:blank', title: 'Changed meanwhile', status: 409, detail: 'x' };
    const found = theirs === '' ? null : theirs;
    const shown = { field: 'fittings/box/note', found, wanted: 'mine', version: 1 };
    rig.http.expectOne('/api/rigs/rig-1/changes').flush({ ...problem, clash: shown }, { status: 409, statusText: 'Conflict' });
    const box = plan.fittings['box'];
    const { box: _, ...others } = plan.fittings;
    const now = found === null || !box ? others : { ...others, box: { ...box, note: found } };
    await until(() => {
      const calls = rig.http.match('/api/rigs/rig-1');
      calls.forEach((call) => call.flush(rigDocument({ ...plan, fittings: now }, { version: 1 })));
      return calls.length > 0;
    });
    await until(() => /changed (?!before)/.test(over()));
  }

  it('shows both values of a clash in words; mine goes again over theirs', async () => {
    const rig = await show();
    await clash(rig, 'theirs', note('mine'));
    expect(over()).toContain('Somebody else changed the note of C, Box before your change arrived.');
    expect(over()).toContain('Theirs, there nowtheirs');
    expect(over()).toContain('Yoursmine');
    press('Use mine');
    await until(() => rig.sentChanges().length === 1);
    expect(rig.sentChanges()).toEqual([jasmine.objectContaining({ kind: 'noteItem', from: 'theirs', to: 'mine' }) as never]);
    await until(() => !over().includes('Changed meanwhile'));
  });

  it('offers only theirs where mine is about what is gone', async () => {
    const rig = await show();
    await clash(rig, '', note('mine'));
    expect(over()).toContain('the note of a fitting that is not aboard');
    expect(over()).toContain('there nowdeletedYoursmine');
    expect(over()).toContain('Yours cannot be used any more');
    expect(over()).not.toContain('Use mine');
    press('Keep theirs');
    await until(() => !over().includes('Changed meanwhile'));
    expect(rig.sentChanges()).toEqual([]);
  });

  it('says what was deleted and has it back by Undo; the next change ends the offer', async () => {
    const rig = await show();
    const from = rig.store.state()?.plan.fittings['box'];
    rig.store.change(change({ kind: 'takeOffItem', item: 'box', from }));
    await until(() => over().includes('Deleted C, Box.'));
    press('Undo');
    await until(() => rig.store.state()?.plan.fittings['box'] !== undefined);
    await until(() => !over().includes('Deleted'));
    rig.store.change(change({ kind: 'takeOffItem', item: 'box', from }));
    await until(() => over().includes('Deleted C, Box.'));
    rig.store.change(change({ kind: 'nameRig', from: 'test rig', to: 'another' }));
    await until(() => !over().includes('Deleted'));
    expect(rig.store.state()?.plan.title).toBe('another');
  });

  it('undoes and redoes on every step, by its buttons and by keys; letters that are typed keep theirs', async () => {
    const rig = await show();
    const head = (name: string): HTMLButtonElement =>
      rig.element.querySelector(`.head [aria-label=${name}]`) as HTMLButtonElement;
    const title = (): string | undefined => rig.store.state()?.plan.title;
    const key = (k: string, on: EventTarget = document.body): void =>
      void on.dispatchEvent(new KeyboardEvent('keydown', { key: k, ctrlKey: true, bubbles: true, cancelable: true }));
    await until(() => head('Undo').disabled && head('Redo').disabled);
    rig.store.change(change({ kind: 'nameRig', from: 'test rig', to: 'another' }));
    await until(() => !head('Undo').disabled);
    head('Undo').click();
    await until(() => title() === 'test rig');
    await until(() => !head('Redo').disabled);
    head('Redo').click();
    await until(() => title() === 'another');
    key('z');
    await until(() => title() === 'test rig');
    key('Z');
    await until(() => title() === 'another');
    const field = document.body.appendChild(document.createElement('input'));
    key('z', field);
    await rig.fixture.whenStable();
    expect(title()).toBe('another');
    field.remove();
  });
});
