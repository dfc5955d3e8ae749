import { readFileSync, writeFileSync } from 'node:fs';
import { CATALOG, demoRigs, HULLS, SHOP } from '../../demo/index';
import { usualLine } from '../lines';
import { applyChange, LANES, LINE_USES, LINE_PATHS, type Brief, type Fitting, type Line, type Place, type Plan } from '../rig';
import { matchWish, wishIndex } from '../parts/catalog';
import { seeded } from '../work/cutting';
import { readySteps } from '../work/scheduling';
import { tax, totals } from '../work/pricing';
import { deck, fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { tell } from '../base/units';
import { Memory } from '../base/stages';
import { STAGES, workUp, workUpAll, type Workup, type WorkupInput } from './index';
import { runs } from '../../testing/runs';

const feed = { from: 'b', to: 's', lane: 'inside port' as const, via: [], awg: null };
const fittings = {
  b: fitted('battery-18', deck(600, 0), 'loose'),
  s: fitted('sounder-arm-7', track('aft-port', 2700), 'track'),
  n: fitted('net-socket', deck(2850, 250), 'through', { mount: { hold: 'through', plate: true, reason: '' } }),
  g: fitted('crate-open', deck(2700, 0), 'loose', { suppliedBy: 'gift' }),
};
const input = inputOf(fittings, { runs: { r: feed } });

/** What a workup says, without its functions, for comparing. */
const said = (w: Workup): unknown => JSON.parse(JSON.stringify({ ...w, surface: undefined, ledger: undefined }));

describe('workup', () => {
  it('with a session says the same as without, after every change', () => {
    const session = new Memory();
    let { plan } = input;
    workUp(input, session);
    for (const change of [
      {
        id: '00000000-0000-4000-8000-000000000001',
        kind: 'slideItem' as const,
        item: 'g',
        from: deck(2700, 0),
        to: deck(2600, 30),
      },
      {
        id: '00000000-0000-4000-8000-000000000002',
        kind: 'hookTape' as const,
        from: { datum: 'bow', run: 'taut' as const },
        to: { datum: 'stern', run: 'gunwale' as const },
      },
      {
        id: '00000000-0000-4000-8000-000000000003',
        kind: 'answerBrief' as const,
        from: { stature: 1750 },
        to: { stature: 1950 },
      },
      {
        id: '00000000-0000-4000-8000-000000000004',
        kind: 'placeItem' as const,
        item: 'a',
        to: fitted('pad-eye', deck(300, 0), 'rivet'),
      },
    ]) {
      plan = applyChange(plan, change).plan;
      expect(said(workUp({ ...input, plan }, session))).toEqual(said(workUp({ ...input, plan })));
    }
  });

  it('a session over random changes of plan, brief, hull and shop says what a fresh one says, fixes too (property)', () => {
    const random = seeded(17);
    const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
    const session = new Memory();
    const place = (): Place => deck(300 + random() * 3000, (random() - 0.5) * 500);
    const aboard = (): Fitting => {
      const part = pick(CATALOG.parts);
      return fitted(part.id, place(), pick(part.holding.ways));
    };
    const start = Array.from({ length: 14 }, (_, i) => [`f${i}`, aboard()] as const);
    let now: WorkupInput = inputOf(Object.fromEntries(start), {
      sets: { a: { name: 'a', order: 1 }, b: { name: 'b', order: 2 } },
    });
    const brief = (answers: Partial<Brief>): void => {
      now = { ...now, plan: { ...now.plan, brief: { ...now.plan.brief, ...answers } } };
    };
    const put = (fittings: Plan['fittings']): void => {
      now = { ...now, plan: { ...now.plan, fittings: { ...now.plan.fittings, ...fittings } } };
    };
    const changes = [
      () => brief({ stature: 1500 + random() * 500 }),
      () => brief({ seat: pick(['low', 'high', 'both']), stands: pick(['sits', 'stands', 'both']) }),
      () => brief({ cast: pick(['none', 'sidearm', 'both']), castHand: pick(['left', 'right']) }),
      () => void (now = { ...now, hull: pick(HULLS) }),
      () => void (now = { ...now, shop: { ...SHOP, limits: { ...SHOP.limits, screen: 20 + random() * 60 } } }),
      () => put({ [`f${Math.floor(random() * 14)}`]: aboard() }),
      () => {
        const [id, fitting] = pick(Object.entries(now.plan.fittings));
        put({ [id]: { ...fitting, place: place() } });
      },
      () => {
        const [id, fitting] = pick(Object.entries(now.plan.fittings));
        put({ [id]: { ...fitting, sets: pick([['a'], ['b'], ['a', 'b']]) } });
      },
      () => {
        const ends = Object.entries(now.plan.fittings).flatMap(([id, { part }]) =>
          (CATALOG.parts.find((p) => p.id === part)?.ties ?? []).map((t) => `${id}.${t.id}`),
        );
        const hulls = (now.hull.ties ?? []).map((t) => `hull.${t.id}`);
        const tie = () => ({ at: 'tie' as const, tie: pick([...ends, ...hulls, 'f0.gone']) });
        const line = (): Line => ({ ...usualLine(pick(LINE_USES)), way: pick(LINE_PATHS), through: [tie(), tie()] });
        now = { ...now, plan: { ...now.plan, lines: { l: line(), m: line() } } };
      },
      () => {
        const [from, to] = [pick(Object.keys(now.plan.fittings)), pick(Object.keys(now.plan.fittings))];
        const via = random() < 0.5 ? [] : [600, 2400].map((x) => ({ at: 'lane' as const, x, lane: pick(LANES) }));
        if (from !== to) now = { ...now, plan: { ...now.plan, runs: { r: { from, to, lane: pick(LANES), via, awg: null } } } };
      },
    ];
    const all = (w: Workup): string => JSON.stringify([said(w), w.findings.map((f) => f.tries(CATALOG.parts))]);
    for (let i = 0; i < runs(50); i++) {
      pick(changes)();
      const [kept, fresh] = [all(workUp(now, session)), all(workUp(now))];
      if (kept !== fresh) return expect(kept).withContext(`after change ${i}`).toBe(fresh);
    }
  });

  it('all at once works every stage out, and throws what one throws', () => {
    const all = workUpAll(input);
    expect(Object.keys(all)).toEqual([...STAGES.names]);
    expect(Object.getOwnPropertyDescriptor(all, 'findings')?.get).toBeUndefined();
    expect(said(all)).toEqual(said(workUp(input)));
    const [first, ...rest] = input.hull.stations;
    const folded = { ...input.hull, stations: first ? [first, first, ...rest] : [] };
    expect(() => workUpAll({ ...input, hull: folded })).toThrowError(RangeError);
  });

  it('skips what the catalog or the hull does not have', () => {
    expect(
      workUp(inputOf({ x: fitted('no-such-part', deck(1, 1), 'loose'), y: fitted('crate-open', track('nowhere', 5), 'loose') }))
        .aboard.items,
    ).toEqual([]);
  });
});

describe('price', () => {
  const w = workUp(input);
  const line = (key: string) => w.price.lines.find((l) => l.key === key);

  it('follows the plan: items, fasteners by hole, plate, sealant, wire by length, terminals, fuse', () => {
    expect(line('g')?.cents).toBe(0);
    expect(line('s')?.cents).toBe(45_900);
    expect(line('bolt-set')?.quantity).toBe(3);
    expect(line('tbolt')?.quantity).toBe(2);
    expect(line('backing-plate')?.quantity).toBe(1);
    expect(line('sealant')?.quantity).toBe(0.25);
    // Two conductors, and the holder of the fuse in one of them.
    expect(line('terminal')?.quantity).toBe(6);
    expect(line('fuse-holder')?.quantity).toBe(1);
    // As it is shown: to the centimetre, up.
    expect(line('wire-16')?.quantity).toBe(Math.ceil((2 * (w.wiring.runs[0]?.cut ?? 0)) / 10) / 100);
  });

  it('adds up by hand', () => {
    const parts = w.price.lines.reduce((sum, l) => sum + l.cents, 0);
    expect(w.price.totals.partsCents).toBe(parts);
    expect(w.price.totals.taxCents).toBe(Math.round(parts * 0.075));
    expect(w.price.totals.totalCents).toBe(parts + w.price.totals.laborCents + w.price.totals.taxCents);
  });

  it('rounds tax once, half away from zero', () => {
    expect(tax(1000, 7.25)).toBe(73);
    expect(tax(-1000, 7.25)).toBe(-73);
    expect(totals([], [], { ...SHOP, taxOnLabor: true }).totalCents).toBe(0);
  });

  it('labor is the sum of the steps: nothing twice, nothing missed', () => {
    const steps = w.build.steps.reduce((sum, s) => sum + s.minutes, 0);
    expect(steps).toBeCloseTo(w.price.totals.laborMinutes, 9);
  });
});

describe('build', () => {
  const w = workUp(input);

  it('has every step after what it needs, and no step twice', () => {
    const seen = new Set<string>();
    for (const s of w.build.steps) {
      expect(seen.has(s.id)).toBeFalse();
      for (const need of s.needs) expect(seen.has(need)).withContext(`${s.id} needs ${need}`).toBeTrue();
      seen.add(s.id);
    }
  });

  it('cures after drilling and before wire', () => {
    const order = w.build.steps.map((s) => s.id);
    expect(order.indexOf('fasten.n')).toBeLessThan(order.indexOf('cure'));
    expect(order.indexOf('cure')).toBeLessThan(order.indexOf('pull.r'));
    expect(w.build.steps.find((s) => s.id === 'cure')?.cureHours).toBe(24);
  });

  it('opens steps as others are done; a drilling step is done by its holes', () => {
    expect(readySteps(w.build.steps).map((s) => s.id)).toEqual(['receive']);
    const facts = [
      savedFact({ kind: 'stepDone', step: 'receive' }),
      ...w.drilling.gate.distances.map(({ from, to, expected }) =>
        savedFact({ kind: 'readingTaken', from, to, run: 'taut', reading: expected }),
      ),
      ...['tape', 'agree'].map((step) => savedFact({ kind: 'stepDone', step })),
      ...w.drilling.holes.map((h) =>
        savedFact({
          kind: 'holeDrilled',
          hole: h.id,
          label: h.label,
          bit: h.bit.mm,
          elsewhere: false,
          measured: { hullRevision: 1, datum: 'bow', run: 'taut', reading: h.reading, offCentre: h.offCentre, down: null },
        }),
      ),
    ];
    const later = workUp({ ...input, facts });
    expect(later.build.steps.find((s) => s.id === 'drill.n')?.done?.by).toBe('Mara Voss');
    // The wire goes through no fresh sealant: it need not wait for it.
    expect(readySteps(later.build.steps).map((s) => s.id)).toEqual(['fasten.n', 'pull.r']);
  });
});

describe('walk', () => {
  it('stops at every fitting once, bow to stern, in both languages', () => {
    const {
      handover: { walk },
    } = workUp(input);
    expect(walk.map((s) => s.letter)).toEqual(['A', 'B', 'C', 'D']);
    expect(walk.map((s) => s.x)).toEqual(walk.map((s) => s.x).sort((a, b) => a - b));
    expect(walk.every((s) => s.text.en.use.length > 0 && s.text.fr.use.length > 0 && s.french.length > 0)).toBeTrue();
    expect(walk.find((s) => s.fitting === 's')?.runs).toEqual([{ with: 'A', fuse: 1, gauge: '16 AWG', colour: 'orange' }]);
  });
});

describe('wishes', () => {
  for (const [text, id] of [
    ['depth sounder 7"', 'sounder-arm-7'],
    ['water sampler, long handle', 'sampler-socket'],
    ['dry box 40 × 30 cm', 'dry-box'],
    ['épuisette support', 'net-socket'],
    ['spare paddle', 'spare-paddle'],
  ] as const)
    it(`"${text}" means ${id}`, () => expect(matchWish(text, wishIndex(CATALOG.parts))[0]?.part.id).toBe(id));

  it('keeps what matches nothing as its own line', () =>
    expect(matchWish('a parrot on a string', wishIndex(CATALOG.parts))).toEqual([]));
});

describe('golden workups', () => {
  // A change in these figures is a decision: run with GOLDEN=write and say why in the commit.
  const file = new URL('../../testing/golden.json', import.meta.url);
  const now = Object.fromEntries(
    demoRigs('2026-06-10').map(({ file: f }) => {
      const w = workUp({ plan: f.plan, hull: f.hull, facts: f.ledger as never, catalog: f, shop: f.shop, asOf: '2026-06-10' });
      const round = (n: number): number => Math.round(n * 100) / 100;
      return [
        f.plan.title,
        {
          holes: w.drilling.holes.map((h) => `${h.label} ${round(h.reading)} ${round(h.offCentre)} ${h.bit.name}`),
          runs: w.wiring.runs.map((r) => `${r.id} ${round(r.cut)} ${r.awg} ${r.guard?.rating ?? '–'}`),
          findings: w.findings.map((x) => tell(x.says, 'metric')),
          totals: { ...w.price.totals, laborMinutes: round(w.price.totals.laborMinutes) },
          waterline: round(w.weight.float.level),
          trim: round(1000 * w.weight.float.slope),
          steps: w.build.steps.length,
        },
      ];
    }),
  );
  if (process.env.GOLDEN === 'write') writeFileSync(file, `${JSON.stringify(now, null, 2)}\n`);
  const golden = JSON.parse(readFileSync(file, 'utf8')) as typeof now;
  for (const title of Object.keys(now)) it(`of the ${title} stays as it was`, () => expect(now[title]).toEqual(golden[title]));
});
