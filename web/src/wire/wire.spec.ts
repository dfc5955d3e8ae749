import { OpenRig } from '../testing/open-rig';
import { laidPlan, testPlan } from '../testing/rig';
import Wire from './wire';

describe('wiring', () => {
  it('has nothing to show before a run is routed, and says what is missing', async () => {
    const rig = await OpenRig.show(Wire, testPlan());
    expect(rig.text).toContain('No wire yet.');
    rig.find('form.new').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    expect(rig.find('[role=alert]').textContent).toContain('Battery: place one');
  });

  it('says why that gauge, and shows the sources in one tap', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    expect(rig.text).toContain('Why 16 AWG');
    expect(rig.find('.ruled').textContent).toContain("this shop's least");
    await rig.click('.link', 'Source');
    expect(rig.text).toContain('value from memory');
  });

  it('feeds a load once', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    rig.find('form.new').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    expect(rig.find('[role=alert]').textContent).toContain('Lamp has a feed already.');
    expect(rig.sentChanges()).toEqual([]);
  });

  it('routes, changes gauge and lane, passes points, drops', async () => {
    const plan = { ...laidPlan(), runs: {} };
    const rig = await OpenRig.show(Wire, plan);
    rig.find('form.new').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    await rig.type('aside .field select', '12');
    expect(rig.store.state()?.workup.runs[0]?.awg).toBe(12);
    const inputs = rig.element.querySelectorAll<HTMLInputElement>('details input');
    const add = async (x: string, y: string): Promise<void> => {
      if (inputs[0] && inputs[1]) [inputs[0].value, inputs[1].value] = [x, y];
      rig.find('details form').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await add('nowhere', '2');
    expect(rig.find('[role=alert]').textContent).toContain('From the bow');
    await add('35', '90');
    expect(rig.find('[role=alert]').textContent).toContain('off the hull there');
    await add('35', '4');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.via).toEqual([{ at: 'point', x: 889, y: -101.6 }]);
    await rig.click('aside .way', 'Drop this run');
    expect(rig.store.state()?.plan.runs).toEqual({});
  });
});
