import type { Fact } from '@plain-cleat/core/rig';
import { OpenRig } from '../testing/open-rig';
import { laidPlan, TEST_PARTS, testPlan } from '../testing/rig';
import HandOver from './hand-over';

const done = (body: object, n: number): Fact =>
  ({
    id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    rig: 'plan-1',
    deviceTime: '2026-06-01T10:00:00Z',
    by: 'Tom Hale',
    serverTime: '2026-06-01T10:00:00Z',
    ...body,
  }) as Fact;
const noHoles = () => ({ ...testPlan(), fittings: { box: laidPlan().fittings.box as never } });
const built = ['receive', 'measure', 'tape', 'agree', 'fit.box', 'weigh', 'hose', 'photos'].map((step, i) =>
  done({ kind: 'stepDone', step }, i),
);

describe('handing over', () => {
  it('has no walk before something is aboard', async () => {
    const rig = await OpenRig.show(HandOver, testPlan());
    expect(rig.text).toContain('Nothing is aboard yet');
    expect(rig.element.querySelector('pc-sign-pad')).toBeNull();
  });

  it('lists what was taken off and goes back in a bag', async () => {
    const parts = TEST_PARTS.map((p) =>
      p.id === 'box' ? { ...p, goesWith: { ...p.goesWith, replaces: ['stock foot pegs'] } } : p,
    );
    const rig = await OpenRig.show(HandOver, laidPlan(), { catalog: { parts, consumables: [] } });
    expect(rig.text).toContain('Back in a bag');
    expect(rig.text).toContain('stock foot pegs, off for');
  });

  it('walks from stop to stop, bow to stern', async () => {
    const rig = await OpenRig.show(HandOver, laidPlan());
    expect(rig.find('.stop h2').textContent).toBe('Battery');
    await rig.click('button', 'Shown · next B');
    expect(rig.find('.stop h2').textContent).toBe('Lamp');
    await rig.click('button', 'Shown · next C');
    await rig.click('button', 'Shown');
    expect(rig.sentFacts().map((f) => (f.kind === 'stopShown' ? f.stop : ''))).toEqual(['battery', 'lamp', 'box']);
    expect(rig.text).toContain('3 shown');
  });

  it('says why the owner cannot sign yet', async () => {
    const rig = await OpenRig.show(HandOver, noHoles());
    expect(rig.text).toContain('1 stop still to show.');
  });

  it('reads out what is not done, and whoever signs takes it once, by name', async () => {
    const shown = done({ kind: 'stopShown', stop: 'box' }, 99);
    const rig = await OpenRig.show(HandOver, noHoles(), { facts: [...built.slice(0, -2), shown] as never });
    const signing = rig.find('pc-signing');
    expect([...signing.querySelectorAll('li')].length).toBe(2);
    expect(signing.querySelectorAll('mat-checkbox').length).toBe(1);
    const signs = 'pc-sign-pad + .row button';
    await rig.enter('Name', 'Lene Aubrac');
    expect(signing.textContent).toContain('I, Lene Aubrac, take the boat with these 2 not done');
    await rig.click(signs, 'Sign by the typed name');
    await rig.click(signs, 'Sign');
    expect(rig.find('.fault').textContent).toContain('reads the list and takes it so');
    expect(rig.sentFacts()).toEqual([]);
    signing.querySelector<HTMLInputElement>('mat-checkbox input')?.click();
    // Another name has not read it.
    await rig.enter('Name', 'Jo Aubrac');
    await rig.click(signs, 'Sign');
    expect(rig.sentFacts()).toEqual([]);
    signing.querySelector<HTMLInputElement>('mat-checkbox input')?.click();
    await rig.click(signs, 'Sign by the typed name');
    await rig.click(signs, 'Sign');
    const [fact] = rig.sentFacts();
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'signed', name: 'Jo Aubrac', open: ['hose', 'photos'] }) as never);
    expect(fact?.kind === 'signed' && Object.keys(fact.areas ?? {}).length).toBe(13);
  });

  it('takes the signature once all is built and shown, and not an empty one', async () => {
    const rig = await OpenRig.show(HandOver, noHoles(), {
      facts: [...built, done({ kind: 'stopShown', stop: 'box' }, 99)] as never,
    });
    expect(rig.element.querySelector('pc-sign-pad')).not.toBeNull();
    await rig.click('pc-sign-pad + .row button', 'Sign');
    expect(rig.find('[role=alert]').textContent).toContain('sign in the field first');
    expect(rig.sentFacts()).toEqual([]);
    // Who cannot draw it signs by their typed name; nothing typed is nothing signed.
    const signs = 'pc-sign-pad + .row button';
    await rig.enter('Name', '');
    // Whatever comes in meanwhile, what was cleared stays cleared.
    rig.store.showSet(null);
    await rig.fixture.whenStable();
    await rig.click(signs, 'Sign by the typed name');
    await rig.click(signs, 'Sign');
    expect(rig.find('.fault').textContent).toContain('who signs?');
    await rig.enter('Name', 'Lene Aubrac');
    await rig.click(signs, 'Sign by the typed name');
    await rig.click(signs, 'Clear');
    await rig.click(signs, 'Sign');
    expect(rig.sentFacts()).toEqual([]);
    await rig.click(signs, 'Sign by the typed name');
    await rig.click(signs, 'Sign');
    const [fact] = rig.sentFacts();
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'signed', name: 'Lene Aubrac' }) as never);
    expect(fact?.kind === 'signed' && fact.drawing).toMatch(/^data:image\/png;base64,.{400}/);
  });

  it('keeps what is not right for the book', async () => {
    const rig = await OpenRig.show(HandOver, laidPlan());
    await rig.click('button', 'Not right');
    await rig.enter('What is not right', 'a strap is short');
    await rig.submit('.stop form');
    expect(rig.text).toContain('A: a strap is short');
  });

  it('makes and revokes the owner’s link', async () => {
    const rig = await OpenRig.show(HandOver, laidPlan());
    await rig.click('button', 'Make the owner');
    rig.http.expectOne('/api/rigs/rig-1/owner-link').flush({ url: '/owner/abc', expires: '2026-08-01T00:00:00Z' });
    await rig.fixture.whenStable();
    expect(rig.find('a', "The owner's page").getAttribute('href')).toBe('/owner/abc');
    await rig.click('button', 'Revoke');
    const call = rig.http.expectOne('/api/rigs/rig-1/owner-link');
    expect(call.request.method).toBe('DELETE');
    call.flush({});
    await rig.fixture.whenStable();
    expect(rig.text).toContain("Make the owner's link");
  });
});
