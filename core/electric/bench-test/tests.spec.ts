import { inBowHold as within, runInside as run } from '../../../testing/bow-hold';
import { QUENBY, SHOP } from '../../../demo/index';
import type { Fact, Plan } from '../../rig';
import { openTests } from '../../checks/findings';
import { fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { circuitPrint } from './index';

describe('the bench test of a rig', () => {
  const fittings = {
    b: fitted('battery-50', within(560), 'loose'),
    s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
  };
  const worked = (facts: readonly Fact[], awg: number | null = null, meter = true, accepted: Plan['accepted'] = {}) =>
    workUp({
      ...inputOf(fittings, { runs: { r: run('b', 's', { awg }) }, accepted }, facts, QUENBY),
      shop: { ...SHOP, wiring: { ...SHOP.wiring, meter } },
    });
  const step = (w: ReturnType<typeof worked>) => w.build.steps.find((x) => x.id === 'test.r');
  const reads = (volts: Readonly<Record<string, number>>, by: 'typed' | 'bench meter' = 'typed'): Fact[] => {
    const circuit = circuitPrint(worked([]).wiring);
    return Object.entries(volts).map(([id, v]) =>
      savedFact({ kind: 'circuitRead', reading: id === 'post' ? 'post b' : `${id} s`, volts: v, circuit, meter: by }),
    );
  };
  const good = { post: 13.4, rest: 13.4, alone: 13.3, all: 13.3 };

  it('is done by its readings and not by a tick, and only while the circuit is the one that was read', () => {
    const ticked = savedFact({ kind: 'stepDone', step: 'test.r' });
    expect(step(worked([ticked]))?.done).toBeNull();
    expect(step(worked([ticked]))?.byReadings).toBeTrue();
    const open = (w: ReturnType<typeof worked>): number => openTests(w.tests, [], {}).length;
    expect(open(worked([]))).toBe(4);
    expect(open(worked(reads(good)))).toBe(0);
    expect(open(worked(reads({ rest: 13.4 })))).toBe(3);
    // Another gauge is another circuit.
    expect([open(worked(reads(good), 10)), worked(reads(good), 10).tests.every((t) => t.stale)]).toEqual([4, true]);
  });

  it('what the simulated meter shows counts in a demo alone', () => {
    expect(openTests(worked(reads(good, 'bench meter')).tests, [], {}).length).toBe(0);
    expect(openTests(worked(reads(good, 'bench meter'), null, false).tests, [], {}).length).toBe(4);
  });

  it('one that fails is a finding and holds its step open until it is accepted by name', () => {
    const facts = reads({ ...good, alone: 11 });
    const failed = worked(facts).findings.find((f) => f.code === 'test-failed');
    expect([failed?.severity, tell(failed?.says ?? [], 'metric')]).toEqual([
      'stop',
      'Sounder 7 in, deck arm reads 11.00 V alone; 13.3 V was expected.',
    ]);
    expect(openTests(worked(facts).tests, [], {}).length).toBe(1);
    const accepted = {
      [failed?.key ?? '']: { reason: 'the lead is long, she knows', by: 'Mara Voss', severity: 'stop' as const },
    };
    expect(openTests(worked(facts, null, true, accepted).tests, [], accepted).length).toBe(0);
  });
});
