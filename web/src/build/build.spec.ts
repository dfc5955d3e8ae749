import { OpenRig } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import Build from './build';

describe('building', () => {
  it('opens steps in their order: what waits cannot be ticked', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    const ticks = [...rig.element.querySelectorAll<HTMLButtonElement>('.tick')];
    expect(ticks.filter((t) => !t.disabled).map((t) => t.getAttribute('aria-label'))).toEqual(['Receive and inspect the hull']);
    expect(rig.text).toContain('waits for: Receive and inspect the hull');
    await rig.click('.tick', 'Receive and inspect the hull');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'stepDone', step: 'receive' })]);
    expect(rig.text).toContain('Next: Measure two known distances');
  });

  it('a waiting step says for what and until when on its button, and a cure that runs is not pressed', async () => {
    const kept = (body: object, n: number) => ({
      ...{ id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`, rig: 'plan-1', by: 'Tom Hale' },
      ...{
        deviceTime: new Date(Date.now() - 3_600_000 + n).toISOString(),
        serverTime: new Date(Date.now() - 3_600_000 + n).toISOString(),
      },
      ...body,
    });
    const plan = laidPlan();
    const passed = [
      'receive',
      'measure',
      'tape',
      'agree',
      ...Object.keys(plan.fittings).flatMap((f) => [`drill.${f}`, `fasten.${f}`]),
    ];
    const facts = passed.map((step, n) => kept({ kind: 'gatePassed', step, why: 'for this spec' }, n));
    const rig = await OpenRig.show(Build, plan, { facts: facts as never });
    const tick = (step: string) => rig.find(`[data-step="${step}"] .tick`) as HTMLButtonElement;
    expect(tick('cure').disabled).toBeTrue();
    expect(tick('cure').textContent).toMatch(/^\s*until \w{3},? \d\d:\d\d\s*$/);
    const waiting = [...rig.element.querySelectorAll('.tick.waits')].map((t) => t.textContent?.trim() ?? '');
    expect(waiting.some((w) => /^waits for: Let the sealant cure.*, until \w{3},? \d\d:\d\d$/.test(w))).toBeTrue();
  });

  it('a tick is taken back by a later fact', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    await rig.click('.tick', 'Receive and inspect the hull');
    await rig.click('.tick', 'Receive and inspect the hull');
    expect(rig.sentFacts().map((f) => f.kind)).toEqual(['stepDone', 'tookBack']);
    expect(rig.find('.tick').getAttribute('aria-checked')).toBe('false');
  });

  for (const [bad, says] of [
    ['long', 'is not a number'],
    ['-1', 'From 0.5 min to 1440 min'],
    ['0', 'From 0.5 min to 1440 min'],
    ['5000', 'From 0.5 min to 1440 min'],
  ] as const)
    it(`books no minutes from "${bad}"`, async () => {
      const rig = await OpenRig.show(Build, laidPlan());
      const spent = 'Minutes spent on Receive and inspect the hull';
      await rig.enter(spent, bad);
      expect(rig.faultOf(spent)).toContain(says);
      expect(rig.sentFacts()).toEqual([]);
    });

  it('adds booked minutes up', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    for (const minutes of ['10', '2.5']) {
      await rig.enter('Minutes spent on Receive and inspect the hull', minutes);
      // Empty for the next ones.
      expect(rig.field('Minutes spent on Receive and inspect the hull').value).toBe('');
    }
    expect(rig.text).toContain('12.5 spent');
  });

  describe('a step let pass', () => {
    const open = async () => {
      const rig = await OpenRig.show(Build, laidPlan());
      await rig.click('.swap', 'Manager override');
      const type = (label: string, value: string): void => {
        const field = [...rig.element.querySelectorAll('mat-form-field')].find((f) => f.textContent?.includes(label));
        const input = field?.querySelector('input');
        if (!input) throw new Error(`no field ${label}`);
        input.value = value;
        input.dispatchEvent(new Event('input'));
      };
      const press = async (name: string): Promise<void> => {
        [...rig.element.querySelectorAll<HTMLButtonElement>('pc-manager-form button')]
          .find((b) => b.textContent?.trim() === name)
          ?.click();
        await rig.fixture.whenStable();
      };
      return { rig, type, press };
    };

    it('wants a reason, a manager and their password; the password goes with the act and is kept nowhere', async () => {
      const { rig, type, press } = await open();
      await press('Manager override');
      expect(rig.text).toContain('three letters at least');
      type('Reason', 'measured by the maker');
      await press('Manager override');
      expect(rig.find('[role=alert]').textContent).toContain('Manager: their login');
      type('Manager', 'idris');
      type('password', 'a secret');
      await press('Manager override');
      const call = rig.http.expectOne('/api/rigs/rig-1/facts');
      const body = call.request.body as { facts: object[]; override: object };
      expect(body.facts).toEqual([
        jasmine.objectContaining({ kind: 'gatePassed', step: 'receive', why: 'measured by the maker' }),
      ]);
      expect(body.override).toEqual({ login: 'idris', password: 'a secret' });
      expect(rig.sentFacts()).toEqual([]);
      call.flush(
        { title: 'Not signed', detail: 'login or password is not right', status: 422, type: 'about:blank' },
        { status: 422, statusText: 'no' },
      );
      await rig.fixture.whenStable();
      expect(rig.find('[role=alert]').textContent).toContain('login or password is not right');
    });

    it('without a manager is a request, kept like any fact', async () => {
      const { rig, type, press } = await open();
      type('Reason', 'owner waits at the dock');
      await press('Ask a manager');
      expect(rig.sentFacts()).toEqual([
        jasmine.objectContaining({ kind: 'gateAsked', step: 'receive', why: 'owner waits at the dock' }),
      ]);
      expect(rig.text).toContain('asks for a manager override: owner waits at the dock');
    });
  });

  it('keeps another fastener with what and why', async () => {
    const rig = await OpenRig.show(Build, { ...laidPlan(), runs: {}, fittings: { box: laidPlan().fittings.box as never } });
    for (const step of [
      'Receive and inspect the hull',
      'Measure two known distances',
      'Lay out and tape up',
      'Owner agrees to the taped layout',
    ])
      await rig.click('.tick', step);
    await rig.click('.swap', 'Another fastener');
    const save = async (put: string, why: string): Promise<void> => {
      await rig.enter('Put in', put);
      await rig.enter('Because', why);
      await rig.submit('.says form');
    };
    await save('rivet 64', ' ');
    expect(rig.faultOf('Because')).toContain('A few words.');
    await save('rivet 64', 'a screw was lost');
    expect(rig.sentFacts().at(-1)).toEqual(
      jasmine.objectContaining({ kind: 'fastenerSubstituted', fitting: 'box', with: 'rivet 64', why: 'a screw was lost' }),
    );
    expect(rig.text).toContain('Put in instead: rivet 64: a screw was lost');
  });
});
