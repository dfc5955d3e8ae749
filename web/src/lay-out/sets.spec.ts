import { OpenRig } from '../testing/open-rig';
import { laidPlan, TEST_HULL } from '../testing/rig';
import LayOut from './lay-out';

const key = (k: string, more: KeyboardEventInit = {}): void =>
  void document.body.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true, ...more }));

describe('sets, several and stowing', () => {
  const withSets = () => ({ ...laidPlan(), sets: { day: { name: 'all-day', order: 1 }, troll: { name: 'trolling', order: 2 } } });

  it('names a set, refuses one without a name or a name twice', async () => {
    const rig = await OpenRig.show(LayOut, withSets());
    await rig.click('pc-sets-bar button', 'New set');
    const submit = async (name: string): Promise<void> => {
      await rig.enter('New set', name);
      await rig.submit('pc-sets-bar form');
    };
    await submit(' ');
    expect(rig.text).toContain('Give it a name');
    await submit('Trolling');
    expect(rig.text).toContain('There is a set called Trolling already.');
    await submit('guest');
    expect(rig.sentChanges()[0]).toEqual(
      jasmine.objectContaining({ kind: 'nameSet', from: null, to: { name: 'guest', order: 3 } }),
    );
  });

  it('shows one set, and a fitting leaves it by its tick', async () => {
    const rig = await OpenRig.show(LayOut, withSets());
    await rig.click('pc-sets-bar mat-button-toggle button', 'all-day');
    expect(rig.store.state()?.set).toBe('day');
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    const tick = rig.find<HTMLInputElement>('pc-more [aria-label="Sets it belongs to"] input');
    tick.click();
    await rig.fixture.whenStable();
    expect(rig.sentChanges()[0]).toEqual(jasmine.objectContaining({ kind: 'joinSets', from: null, to: ['troll'] }));
    expect(rig.store.state()?.workup.aboard.items.length).toBe(2);
    expect(rig.store.state()?.workup.aboard.owned.length).toBe(3);
  });

  it('chooses several by Ctrl Space while walking, says how far two are apart, and groups them', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    key(' ', { ctrlKey: true });
    key('ArrowRight');
    key(' ', { ctrlKey: true });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('2 fittings chosen');
    expect(rig.text).toContain('Apart, pulled taut');
    await rig.click('pc-multi-select button', 'Group');
    const [change] = rig.sentChanges();
    expect(change?.kind === 'together' && change.changes.every((c) => c.kind === 'groupItem')).toBeTrue();
  });

  it('tethers by a length, refuses nonsense, unties by an empty one', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    await rig.enter('Tether, length', 'long');
    expect(rig.faultOf('Tether, length')).toContain('"long" is not a length');
    await rig.enter('Tether, length', '20');
    await rig.enter('Tether, length', '');
    expect(rig.sentChanges().map((c) => (c.kind === 'tetherItem' ? c.to : 0))).toEqual([{ to: null, length: 508 }, null]);
  });

  it('says how often it is used here and whether it comes off for the road, and goes back to what is usual', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    await rig.choose('Used', 'every few minutes');
    await rig.choose('For the road', 'stays on');
    await rig.choose('Used', 'usually when stopped');
    const sent = rig.sentChanges().map((c) => (c.kind === 'useItem' || c.kind === 'roadItem' ? [c.kind, c.to] : []));
    expect(sent).toEqual([
      ['useItem', 'always'],
      ['roadItem', false],
      ['useItem', null],
    ]);
  });

  it('stows a thing in a room, and refuses one that is not named', async () => {
    const bow = { id: 'bow', name: 'bow hold', fore: 400, aft: 700, port: -100, starboard: 100, hatches: [], dry: true };
    const hull = { ...TEST_HULL, spaces: [bow] };
    const rig = await OpenRig.show(LayOut, laidPlan(), { hull });
    await rig.click('aside mat-button-toggle button', 'Stowed');
    await rig.submit('pc-stowing form');
    expect(rig.faultOf('What')).toContain('Say what goes in there.');
    await rig.enter('What', 'spare line');
    await rig.submit('pc-stowing form');
    expect(rig.sentChanges()[0]).toEqual(
      jasmine.objectContaining({ kind: 'stowThing', to: jasmine.objectContaining({ in: 'bow', what: 'spare line' }) }),
    );
  });
});
