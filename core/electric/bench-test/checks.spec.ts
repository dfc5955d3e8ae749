import { QUENBY, SHOP } from '../../../demo/index';
import type { Fact, Plan } from '../../rig';
import { deck, fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type Workup } from '../../workup';
import { circuitPrint } from './index';

const within = (x: number, y = 0): Plan['fittings'][string]['place'] => ({ on: 'space', space: 'bow-hold', x, y, heading: 0 });
const FITTINGS: Plan['fittings'] = {
  b: fitted('battery-100', within(560), 'loose'),
  m: fitted('motor-stern-45', deck(3660, 0), 'through'),
  l: fitted('side-lights', deck(300, 0), 'through'),
  d: fitted('deck-light', deck(700, 40), 'rivet'),
};
const RUNS: Plan['runs'] = Object.fromEntries(
  ['m', 'l', 'd'].map((to) => [to, { from: 'b', to, lane: 'inside port' as const, via: [], awg: null }]),
);
const wiring = { ...SHOP.wiring, readings: true, checks: true, meter: true };
const work = (facts: readonly Fact[] = [], more: Partial<typeof wiring> = {}): Workup =>
  workUp({ ...inputOf(FITTINGS, { runs: RUNS }, facts, QUENBY), shop: { ...SHOP, wiring: { ...wiring, ...more } } });
const bare = work();
const circuit = circuitPrint(bare.wiring);
const checked = (check: string, ok: boolean, on = circuit) => savedFact({ kind: 'circuitChecked', check, ok, circuit: on });
const read = bare.tests.map((t) =>
  savedFact({ kind: 'circuitRead', reading: t.reading.id, volts: t.expected, circuit, meter: 'typed' }),
);
const all = bare.checks.map((c) => checked(c.id, true));
const ticked = savedFact({ kind: 'stepDone', step: 'test.m' });
/** Why the motor's test does not count though it was ticked. */
const whyNot = (facts: readonly Fact[]): string =>
  tell(work([...facts, ticked]).build.steps.find((s) => s.id === 'test.m')?.early?.why ?? [], 'metric');

describe('checks of the bench test', () => {
  it('are two for each pair, motors both ways, running lights from all round, the rest burning', () => {
    expect(bare.checks.map((c) => c.id).sort()).toEqual(
      [
        ...['m', 'l', 'd'].flatMap((r) => [`rung through ${r}`, `no short ${r}`]),
        ...['turns both ways m', 'seen all round l', 'burns d'],
      ].sort(),
    );
  });

  it('hold the test of their cable open besides its readings, and only while they are of this very circuit', () => {
    expect(whyNot(read)).toMatch(/3 of \d+ readings and checks not taken/);
    const openOf = (facts: readonly Fact[]): number => work(facts).checks.filter((c) => !c.read).length;
    expect(openOf([...read, ...all])).toBe(0);
    expect(openOf([...read, ...bare.checks.map((c) => checked(c.id, true, 'another'))])).toBe(bare.checks.length);
    expect(whyNot([...read, ...all])).not.toMatch(/readings and checks/);
  });

  it('are a finding when wrong, which holds the step open until somebody accepts it; none where the shop asks for none', () => {
    const facts = [...read, ...all, checked('turns both ways m', false)];
    const w = work(facts);
    const finding = w.findings.find((f) => f.code === 'test-failed');
    expect(finding?.says.join('')).toMatch(/45 lb failed a check: turns both ways/);
    expect(whyNot(facts)).toMatch(/not as it should be/);
    expect(finding?.fixable).toBeFalse();
    expect(work([], { checks: false }).checks).toEqual([]);
  });

  it('of signals are looked at on the screen, once its feeds are tested; another cable is looked at anew, another light not', () => {
    const signals: Plan['runs'] = { q: { from: 's', to: 't', lane: 'under deck', via: [], awg: null, has: 'signal' } };
    const feeds: Plan['runs'] = Object.fromEntries(
      ['s', 't', 'd'].map((to) => [to, { from: 'b', to, lane: 'inside port' as const, via: [], awg: null }]),
    );
    const screens: Plan['fittings'] = {
      b: fitted('battery-100', within(560), 'loose'),
      d: fitted('deck-light', deck(700, 40), 'rivet'),
      s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
      t: fitted('sounder-arm-7', track('fwd-star', 1450), 'track'),
    };
    const seen = (facts: readonly Fact[], more: Plan['runs'] = {}, ask: Partial<typeof wiring> = {}): Workup =>
      workUp({
        ...inputOf(screens, { runs: { ...feeds, ...signals, ...more } }, facts, QUENBY),
        shop: { ...SHOP, wiring: { ...wiring, ...ask } },
      });
    const first = seen([]);
    const check = first.checks.find((c) => c.id === 'shown q');
    const step = first.build.steps.find((s) => s.id === 'test.q');
    expect([check?.run, check?.read, step?.byReadings]).toEqual(['q', null, true]);
    expect([...(step?.needs ?? [])].sort()).toEqual(['pull.q', 'test.s', 'test.t']);
    expect(first.build.steps.find((s) => s.id === 'weigh')?.needs).toContain('test.q');
    expect(first.price.labor.map((l) => l.of)).toEqual(seen([], {}, { checks: false }).price.labor.map((l) => l.of));
    expect(seen([], {}, { checks: false }).build.steps.some((s) => s.id === 'test.q')).toBeFalse();

    const dark = [savedFact({ kind: 'circuitChecked', check: 'shown q', ok: false, circuit: check?.circuit ?? '' })];
    const failed = seen(dark).findings.find((f) => f.code === 'test-failed');
    expect([failed?.where, failed?.says.join('')]).toEqual(['q', jasmine.stringMatching(/failed a check: shown/)]);
    const stillRead = (more: Plan['runs']): boolean => seen(dark, more).checks.find((c) => c.id === 'shown q')?.read !== null;
    expect(stillRead({ d: { ...(feeds['d'] as Plan['runs'][string]), awg: 12 } })).toBeTrue();
    expect(stillRead({ q: { ...(signals['q'] as Plan['runs'][string]), to: 's', from: 't' } })).toBeFalse();
  });
});
