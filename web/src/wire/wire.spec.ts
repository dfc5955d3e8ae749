import { OpenRig } from '../testing/open-rig';
import { laidPlan, on, testPlan } from '../testing/rig';
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
    await rig.click('[role=tab]', 'The day');
    const [circuit] = rig.store.state()?.workup.circuits ?? [];
    const [battery] = circuit?.batteries ?? [];
    const at = (v: number | null | undefined): string => `${(Math.floor((v ?? NaN) * 10) / 10).toFixed(1)} V`;
    expect(rig.find('table[aria-label=Batteries]').textContent).toContain(`${battery?.gives.full?.amps.toFixed(1)} A`);
    expect(rig.find('aside').textContent).toMatch(new RegExp(`everything on *${at(circuit?.loads[0]?.volts.full)}`));
    expect(rig.find('aside').textContent).toMatch(new RegExp(`low and cold *${at(circuit?.loads[0]?.volts.low)}`));
  });

  it('proposes what is not fed yet, keeps what the rigger made, and says why', async () => {
    const rig = await OpenRig.show(Wire, { ...laidPlan(), runs: {} });
    await rig.click('button', 'Propose the circuit');
    const [run] = Object.values(rig.store.state()?.plan.runs ?? {});
    expect(run?.proposed).toBeTrue();
    expect(rig.text).toContain('As proposed.');
    await rig.choose('Gauge', '12 AWG');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.proposed).toBeUndefined();
    expect(rig.text).not.toContain('As proposed.');
  });

  it('lets protection be left out, and says at once that nothing protects the cable', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    await rig.click('mat-expansion-panel-header', 'Protection and conductors');
    await rig.choose('Protection', 'none');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.guard).toBe('none');
    expect(rig.text).toContain('Nothing protects the cable');
    await rig.choose('Protection', 'breaker');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.guard).toEqual({ is: 'breaker', amps: null, along: 100 });
  });

  it('plans a day: a bad time is said, a leg is added, and back to the usual one', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    await rig.click('[role=tab]', 'The day');
    expect(rig.text).toContain('the usual one of this brief');
    await rig.enter('Starts at', 'soon');
    expect(rig.faultOf('Starts at')).toContain('Write it like 7:00');
    expect(rig.store.state()?.plan.day).toBeNull();
    await rig.enter('Starts at', '6:30');
    expect(rig.store.state()?.plan.day?.starts).toBe(390);
    const legs = rig.store.state()?.plan.day?.legs.length ?? 0;
    await rig.click('button', 'Add leg');
    expect(rig.store.state()?.plan.day?.legs.length).toBe(legs + 1);
    await rig.click('button', 'back to the usual one');
    expect(rig.store.state()?.plan.day).toBeNull();
  });

  it('keeps what is typed from a meter, each reading as a fact of its own; the simulated one reads for practice alone', async () => {
    const rig = await OpenRig.show(Wire, laidPlan());
    await rig.click('[role=tab]', 'Bench test');
    expect(rig.text).not.toContain('Read with the simulated meter');
    await rig.enter('B Lamp alone', '13.3');
    const reads = [...(rig.store.state()?.workup.ledger.circuitReads.values() ?? [])];
    expect(reads.map((f) => [f.meter, f.volts])).toEqual([['typed', 13.3]]);
    await rig.enter('B Lamp with everything on', '4');
    expect(rig.text).toContain('What would explain it');
    await rig.click('button', 'Plant a fault');
    expect(rig.text).toContain('Practice: a fault is planted. Nothing here is kept.');
    await rig.click('button', 'Read with the simulated meter');
    expect(rig.store.state()?.workup.ledger.circuitReads.size).toBe(2);
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

  it('joins a transducer to its screen by a signal cable, led and deleted like any other', async () => {
    const fittings = { screen: on('screen', 1100, 0, 'rivet'), sensor: on('sensor', 2200, 0, 'rivet') };
    const rig = await OpenRig.show(Wire, { ...testPlan(), fittings });
    expect(rig.text).toContain('No screen shows what Transducer senses.');
    await rig.choose('Conductors', 'none: a signal cable');
    // The screen, which a battery feeds too, is chosen still.
    await rig.choose('From', 'A Screen');
    await rig.submit('form.new');
    expect(rig.faultOf('To')).toContain('joins two different fittings');
    await rig.choose('From', 'B Transducer');
    await rig.submit('form.new');
    expect(rig.store.state()?.workup.wiring.signals.map((s) => [s.family, s.cut])).toEqual([['sonar', 6000]]);
    expect(rig.find('aside').textContent).toContain('Comes with it, not cut');
    expect(rig.text).not.toContain('No screen shows');
    expect(rig.find('table[aria-label="Signal cables"]').textContent).toContain('B, Transducer to A');
    await rig.enter('From the bow', '70');
    await rig.enter('Off centre', '4');
    await rig.submit('form.point');
    expect(Object.values(rig.store.state()?.plan.runs ?? {})[0]?.via).toEqual([{ at: 'point', x: 1778, y: -101.6 }]);
    await rig.click('aside button', 'Delete this run');
    expect(rig.store.state()?.plan.runs).toEqual({});
  });

  it('prints labels on the simulated printer until its tape is at its end, then the rest on a new one', async () => {
    const lamps = Array.from({ length: 90 }, (_, i) => `lamp${i}`);
    const fittings = Object.fromEntries(lamps.map((id, i) => [id, on('lamp', 800 + 15 * i, 0, 'rivet')]));
    const runs = Object.fromEntries(
      lamps.map((to) => [to, { from: 'battery', to, lane: 'inside port' as const, via: [], awg: null }]),
    );
    const rig = await OpenRig.show(Wire, {
      ...testPlan(),
      fittings: { battery: on('battery', 700, 0, 'loose'), ...fittings },
      runs,
    });
    await rig.click('[role=tab]', 'Diagram');
    await rig.click('button', 'Print 180 labels');
    const printed = rig.element.querySelectorAll('.tape li').length;
    expect(printed).toBeGreaterThan(100);
    expect(rig.find('pc-label-printer .fault').textContent).toContain(`${180 - printed} labels are not printed`);
    await rig.click('button', 'Load a new tape');
    await rig.click('button', 'Print the rest');
    expect(rig.element.querySelectorAll('.tape li').length).toBe(180);
    expect(rig.element.querySelector('pc-label-printer .fault')).toBeNull();
  });
});
