import { SHOP } from '../../../demo/index';
import { areasInWords, signedForBefore } from '../handover';
import type { Part } from '../../parts/parts';
import { applyChange, type Fact } from '../../rig';
import { deck, fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { workUp, type Workup } from '../../workup';
import { beforeHoles, readySteps } from './index';

const fittings = { e: fitted('pad-eye', deck(3250, 0), 'rivet'), c: fitted('crate-open', deck(2680, 0), 'loose') };
const agreeing = { ...SHOP, drilling: { ...SHOP.drilling, agree: true } };
const work = (facts: readonly Fact[], shop = SHOP): Workup => workUp({ ...inputOf(fittings, {}, facts), shop });
const bare = work([]);

let minute = 0;
/** A fact at an hour of the first day, by the tablet's clock and by the server's. */
const at = (hour: number, body: object, server = hour): Fact => {
  const time = (h: number): string => new Date(Date.UTC(2026, 5, 2) + h * 3_600_000 + ++minute * 10).toISOString();
  return { ...savedFact(body), deviceTime: time(hour), serverTime: time(server) };
};
const tick = (hour: number, step: string, server = hour): Fact => at(hour, { kind: 'stepDone', step }, server);
const readings = (hour: number): Fact[] =>
  bare.drilling.gate.distances.map(({ from, to, expected }) =>
    at(hour, { kind: 'readingTaken', from, to, run: 'taut', reading: expected }),
  );
const holes = (hour: number): Fact[] =>
  bare.drilling.holes.map((h) =>
    at(hour, {
      kind: 'holeDrilled',
      hole: h.id,
      label: h.label,
      bit: h.bit.mm,
      elsewhere: false,
      measured: {
        hullRevision: 1,
        datum: 'bow',
        run: 'taut',
        reading: h.reading,
        offCentre: h.offCentre,
        down: null,
        aimed: h.at.x,
      },
    }),
  );
const step = (w: Workup, id: string) => w.build.steps.find((s) => s.id === id);
const agreed = (hour: number): Fact => at(hour, { kind: 'layoutAgreed', name: 'Ada', photo: null });

const begun = [tick(1, 'receive'), ...readings(2), tick(3, 'tape'), tick(4, 'agree')];
const built = [...begun, ...holes(5), tick(6, 'fasten.e')];

describe('gates stand in the fold', () => {
  it('measuring is done by its readings, not by a tick', () => {
    const ticked = work([tick(1, 'receive'), tick(2, 'measure')]);
    expect(step(ticked, 'measure')?.done).toBeNull();
    expect(step(ticked, 'measure')?.early?.why.join('')).toContain('known distances');
    expect(step(work([tick(1, 'receive'), ...readings(2)]), 'measure')?.done?.by).toBe('Mara Voss');
  });

  it('a drill step is done by its holes, not by a tick', () => {
    const ticked = work([...begun, tick(5, 'drill.e')]);
    expect(step(ticked, 'drill.e')?.done).toBeNull();
    expect(step(ticked, 'drill.e')?.early?.why.join('')).toContain('not marked');
    expect(step(work([...begun, ...holes(5)]), 'drill.e')?.done).not.toBeNull();
  });

  it('a step said before what it needs is kept as early, and is said again', () => {
    const early = work([tick(1, 'hose'), ...built]);
    expect(step(early, 'hose')?.done).toBeNull();
    expect(step(early, 'hose')?.early?.why.join('')).toContain('not done');
    const late = [tick(0.5, 'tape'), tick(1, 'receive'), ...readings(2)];
    expect(step(work(late), 'tape')?.early?.why.join('')).toMatch(/^said before/);
    expect(step(work([...late, tick(3, 'tape')]), 'tape')?.done).not.toBeNull();
  });

  it('a cure takes its hours from the last seal, by the clock that makes them fewer', () => {
    const cure = (hour: number, server = hour) => step(work([...built, tick(hour, 'cure', server)]), 'cure');
    expect(SHOP.cureHours).toBe(24);
    expect(cure(29)?.done).toBeNull();
    expect(cure(29)?.early?.why.join('')).toBe('23 of 24 h since the last seal');
    expect(cure(30.1)?.done).not.toBeNull();
    expect(cure(40, 20)?.done).toBeNull();
    expect(cure(20, 40)?.done).toBeNull();
  });

  it('a cure that runs says until when, by the later clock; nothing else does', () => {
    const sealedLate = [...begun, ...holes(5), tick(6, 'fasten.e', 7)];
    const opens = (facts: readonly Fact[], id = 'cure') => step(work(facts), id)?.opens ?? null;
    expect(opens(begun)).toBeNull();
    // 24 h after 7:00 of the next clock: 7:00 the day after.
    expect(opens(sealedLate)?.slice(0, 16)).toBe('2026-06-03T07:00');
    expect(opens(sealedLate, 'hose')).toBeNull();
    expect(step(work([...sealedLate, tick(9, 'cure')]), 'cure')?.opens?.slice(0, 16)).toBe('2026-06-03T07:00');
  });

  it('what every hole waits for is told before the first of them', () => {
    const wanted = (facts: readonly Fact[]) => beforeHoles(work(facts).build.steps).map((s) => s.id);
    expect(wanted([])).toEqual(['receive', 'measure', 'tape', 'agree']);
    expect(wanted([tick(1, 'receive'), ...readings(2), tick(3, 'tape')])).toEqual(['agree']);
    expect(wanted(begun)).toEqual([]);
    expect(beforeHoles(workUp(inputOf({ c: fittings.c })).build.steps)).toEqual([]);
  });

  it('what the owner signed for as it came in is received, until more is seen', () => {
    const received = at(1, { kind: 'received', name: 'Ada', for: 'x', drawing: 'data:image/png;base64,AA==' });
    expect(step(work([received]), 'receive')?.done?.by).toBe('Mara Voss');
    const seen = at(2, { kind: 'thingSeen', thing: 'e', is: 'worn', says: 'a crack', photo: null });
    expect(step(work([received, seen]), 'receive')?.done).toBeNull();
    expect(step(work([received, seen, tick(3, 'receive')]), 'receive')?.done).not.toBeNull();
  });

  it('a cable waits for the sealant it is drawn through, and for no other', () => {
    const runs = { r: { from: 'b', to: 's', lane: 'inside port' as const, via: [], awg: null } };
    const [b, s] = [fitted('battery-18', deck(600, 0), 'loose'), fitted('sounder-arm-7', track('aft-port', 2700), 'track')];
    const gland = fitted('gland', deck(1200, 0), 'through');
    const needs = (more: object, to = s) =>
      workUp(inputOf({ ...fittings, b, s: to, g: gland }, { runs: { r: { ...runs.r, ...more } } })).build.steps.find(
        (one) => one.id === 'pull.r',
      )?.needs;
    expect(needs({})).toEqual(['agree']);
    expect(needs({ via: [{ at: 'gland', fitting: 'g' }] })).toEqual(['cure']);
    expect(needs({}, fitted('sounder-arm-7', deck(2950, 200), 'through'))).toEqual(['cure']);
  });

  it('where the shop asks, the owner agrees before the first hole: a tick is not enough, and holes before it are early', () => {
    expect(step(work([...begun], agreeing), 'agree')?.done).toBeNull();
    const first = [tick(1, 'receive'), ...readings(2), tick(3, 'tape')];
    expect(step(work([...first, ...holes(4), agreed(5)], agreeing), 'drill.e')?.early?.why.join('')).toBe(
      'drilled before the owner agreed',
    );
    expect(step(work([...first, agreed(4), ...holes(5)], agreeing), 'drill.e')?.done).not.toBeNull();
  });

  it('a manager lets a step pass with a reason, and that is shown', () => {
    const passed = work([...built, at(7, { kind: 'gatePassed', step: 'cure', why: 'a test piece held after two hours' })]);
    expect(step(passed, 'cure')?.passed?.why).toBe('a test piece held after two hours');
    expect(readySteps(passed.build.steps).map((s) => s.id)).toContain('fit.c');
    const gate = work([at(1, { kind: 'gatePassed', step: 'drill', why: 'measured by the maker' })]).drilling.gate;
    expect(gate.open).toBeTrue();
    expect(bare.drilling.gate.open).toBeFalse();
  });
});

describe('handing over', () => {
  const pen = 'data:image/png;base64,AA==';
  const all = [...built, ...['cure', 'fit.c', 'weigh', 'hose', 'photos'].map((s, i) => tick(31 + i, s))];
  const signed = (w: Workup, more: object = {}): Fact =>
    at(40, {
      kind: 'signed',
      name: 'Ada',
      drawing: pen,
      areas: w.handover.closing.signs(),
      ...more,
    });

  it('closes when everything is done and signed for as it is', () => {
    const w = work(all);
    expect(w.handover.closing.open).toEqual([]);
    expect(w.handover.closing.closed).toBeFalse();
    expect(work([...all, signed(w)]).handover.closing.closed).toBeTrue();
  });

  it('an early signature is kept, and closes nothing while a step is open, unless that was accepted by name', () => {
    const w = work(built);
    const early = work([...built, signed(w)]).handover.closing;
    expect([early.closed, early.open.length > 0, early.signed !== null]).toEqual([false, true, true]);
    const open = w.build.steps.filter((s) => !s.done).map((s) => s.id);
    expect(work([...built, signed(w, { open })]).handover.closing.closed).toBeTrue();
    expect(work([...built, signed(w, { open: open.slice(1) })]).handover.closing.closed).toBeFalse();
  });

  it('a change after the signature reopens it, and undoing the change closes it again', () => {
    const facts = [...all, signed(work(all))];
    const { plan } = inputOf(fittings);
    const { plan: after, inverse } = applyChange(plan, {
      id: '00000000-0000-4000-8000-000000000001',
      kind: 'noteItem',
      item: 'c',
      from: '',
      to: 'turned round',
    });
    const reopened = workUp({ ...inputOf(fittings, {}, facts), plan: after }).handover.closing;
    expect([reopened.changed, reopened.closed]).toEqual([['aboard'], false]);
    const back = workUp({ ...inputOf(fittings, {}, facts), plan: applyChange(after, inverse).plan }).handover.closing;
    expect(back.closed).toBeTrue();
  });

  it('a signature is for all of it: whatever changes reopens it, and what it was is said', () => {
    const facts = [...all, signed(work(all))];
    const input = inputOf(fittings, {}, facts);
    const part = input.plan.fittings['c']?.part;
    const [bolt] = workUp(input).price.lines.filter((l) => l.fitting === null);
    const changedBy = (more: object): string => workUp({ ...input, ...more }).handover.closing.changed.join();
    const parts = (change: (p: Part) => object) => ({
      catalog: {
        ...input.catalog,
        parts: input.catalog.parts.map((p) => (p.id === part ? ({ ...p, ...change(p) } as Part) : p)),
      },
    });
    expect(changedBy({})).toBe('');
    // Dearer, heavier, taller.
    expect(changedBy(parts((p) => ({ sold: { ...p.sold, priceCents: p.sold.priceCents + 1 } })))).toBe('parts,charges');
    expect(changedBy(parts((p) => ({ body: { ...p.body, massKg: p.body.massKg + 0.1 } })))).toBe('parts');
    expect(changedBy(parts((p) => ({ body: { ...p.body, base: { ...p.body.base, thickness: 40 } } })))).toContain('parts');
    expect(changedBy({ hull: { ...input.hull, wall: input.hull.wall + 0.1 } })).toContain('hull');
    const consumables = input.catalog.consumables.map((c) => (c.id === bolt?.key ? { ...c, priceCents: c.priceCents + 5 } : c));
    expect(changedBy({ catalog: { ...input.catalog, consumables } })).toBe('materials,charges');
    const shop = (more: object) => ({ shop: { ...input.shop, ...more } });
    expect(changedBy(shop({ taxPercent: input.shop.taxPercent + 1 }))).toBe('charges');
    expect(changedBy(shop({ limits: { ...input.shop.limits, standing: 999 } }))).toBe('rules');
    expect(changedBy(shop({ labor: { ...input.shop.labor, holeMinutes: 99 } }))).toBe('charges,steps');
    const plan = (more: object) => ({ plan: { ...input.plan, ...more } });
    expect(changedBy(plan({ title: 'another name' }))).toBe('papers');
    expect(changedBy(plan({ brief: { ...input.plan.brief, stature: 1900 } }))).toContain('brief');
    expect(changedBy(plan({ pins: { ...input.plan.pins, materials: 9 } }))).toBe('materials');
    expect(changedBy(plan({ pins: { ...input.plan.pins, shop: { ...input.plan.pins.shop, limits: 9 } } }))).toBe('rules');
    expect(changedBy(plan({ pins: { ...input.plan.pins, hull: { ...input.plan.pins.hull, revision: 9 } } }))).toBe('hull');
    const plugged = at(41, { kind: 'holePlugged', hole: workUp(input).ledger.holes[0]?.fact ?? '', with: 'a plug' });
    expect(changedBy({ facts: [...input.facts, plugged] })).toContain('holes');
    // What an owner does not sign for.
    expect(changedBy(plan({ tape: { datum: 'stern', run: 'gunwale' }, promised: '2027-01-01' }))).toBe('');
    expect(areasInWords(['cables', 'holes', 'charges'])).toBe('the cables, the holes and the price');
  });

  it('a signature of before areas is held against what it was for', () => {
    const w = work(all);
    const { plan } = inputOf(fittings);
    const facts = [...all, signed(w, { areas: undefined, for: signedForBefore(plan, w.ledger) })];
    expect(work(facts).handover.closing.closed).toBeTrue();
    const turned = { ...fittings, c: { ...fittings.c, note: 'turned' } };
    expect(workUp(inputOf(turned, {}, facts)).handover.closing.changed).toEqual(['aboard']);
  });

  it('wishes nothing aboard answers are told, by how many', () => {
    const wishes = {
      a: { text: 'two crates', part: 'crate-open', count: 2 },
      b: { text: 'a net', part: null },
      c: { text: 'an eye', part: 'pad-eye' },
    };
    expect(workUp(inputOf(fittings, { wishes })).handover.closing.wishes).toEqual([
      { id: 'a', text: 'two crates', part: 'crate-open', count: 2, placed: 1 },
      { id: 'b', text: 'a net', part: null, count: 1, placed: 0 },
    ]);
  });
});
