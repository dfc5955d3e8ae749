import { OpenRig } from '../testing/open-rig';
import { laidPlan, testPlan } from '../testing/rig';
import Wire from './wire';

describe('wiring', () => {
  it('has nothing to show before a run is routed, and says what is missing', async () => {
    const rig = await OpenRig.show(Wire, testPlan());
    expect(rig.text).toContain('No wire yet.');
    await rig.submit('form.new');
    expect(rig.faultOf('From')).toContain('Place a battery in the layout first.');
  });

  it('says why that gauge, and shows the sources in one tap', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    expect(rig.text).toContain('Why 16 AWG');
    expect(rig.find('.ruled').textContent).toContain('shop minimum');
    await rig.click('mat-expansion-panel-header', 'Explained');
    expect(rig.text).toContain('value from memory');
  });

  it('says what each battery gives with everything on, and what is left at the load', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    const [circuit] = rig.store.state()?.workup.circuits ?? [];
    const [battery] = circuit?.batteries ?? [];
    const at = (v: number | null | undefined): string => `${(Math.floor((v ?? NaN) * 10) / 10).toFixed(1)} V`;
    expect(rig.find('table[aria-label=Batteries]').textContent).toContain(`${battery?.gives.full?.amps.toFixed(1)} A`);
    expect(rig.find('aside').textContent).toMatch(new RegExp(`everything on *${at(circuit?.loads[0]?.volts.full)}`));
    expect(rig.find('aside').textContent).toMatch(new RegExp(`low and cold *${at(circuit?.loads[0]?.volts.low)}`));
  });

  it('feeds a load once', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    await rig.choose('To', 'B Lamp');
    await rig.submit('form.new');
    expect(rig.faultOf('To')).toContain('Lamp has a feed already.');
    expect(rig.sentChanges()).toEqual([]);
  });

  it('routes, changes gauge and lane, passes points, drops', async () => {
    const plan = { ...laidPlan(), runs: {} };
    const rig = await OpenRig.show(Wire, plan);
    await rig.submit('form.new');
    await rig.choose('Gauge', '12 AWG');
    expect(rig.store.state()?.workup.wiring.runs[0]?.awg).toBe(12);
    const add = async (x: string, y: string): Promise<void> => {
      await rig.enter('From the bow', x);
      await rig.enter('Off centre', y);
      await rig.submit('form.point');
    };
    await add('nowhere', '2');
    expect(rig.faultOf('From the bow')).toContain('is not a length');
    await add('35', '90');
    expect(rig.find('.fault').textContent).toContain('off the hull there');
    await add('35', '4');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.via).toEqual([{ at: 'point', x: 889, y: -101.6 }]);
    await rig.click('aside button', 'Delete this run');
    expect(rig.store.state()?.plan.runs).toEqual({});
  });
});
