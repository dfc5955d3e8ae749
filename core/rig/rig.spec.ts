import { judgedIn } from '@plain-cleat/testing/judged-since';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import fc from 'fast-check';
import { CATALOG, demoRigs, TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import type { Part } from '../parts/parts';
import { distance } from '../base/units';
import { deck, emptyPlan, fitted, inputOf, savedFact, partOf, partWith } from '@plain-cleat/testing/plans';
import { battery, CHANGES, crate, laid, run, sounder } from '@plain-cleat/testing/changes';
import { workUp } from '../workup';
import { holdsTogether } from './apply';
import { letter } from './letters';
import { measuredPlace } from './ledger';
import {
  applyChange,
  assemblySchema,
  assignLetters,
  type Change,
  changeSchema,
  Clash,
  type Fact,
  foldLedger,
  makeRigFile,
  placeAssembly,
  type Plan,
  planSchema,
  readRigFile,
  renewAssembly,
  rigFileSchema,
  singleChanges,
  Refused,
  sameJson,
  standingOn,
  takeAssembly,
  writeRigFile,
} from './index';
import { runs } from '../../testing/runs';

const id = (): string => randomUUID();

describe('changes', () => {
  for (const c of CHANGES)
    it(`${c.kind} is undone by its inverse, to the letter`, () => {
      expect(changeSchema.safeParse(c).success).toBeTrue();
      const before = laid();
      const { plan: after, inverse, touched } = applyChange(before, c);
      expect(sameJson(after, before)).toBeFalse();
      expect(planSchema.safeParse(after).success).toBeTrue();
      expect(touched.length).toBeGreaterThan(0);
      expect(applyChange(after, inverse).plan).toEqual(before);
    });

  it('every kind has a spec', () => {
    const kinds = new Set([...CHANGES, ...CHANGES.flatMap(singleChanges)].map((c) => c.kind));
    expect(changeSchema.options.map((o) => o.shape.kind.value).filter((k) => !kinds.has(k))).toEqual([]);
  });

  it('any sequence is undone by its inverses in reverse (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...CHANGES), { maxLength: 12 }), (sequence) => {
        let now = laid();
        const inverses: Change[] = [];
        for (const c of sequence) {
          try {
            const applied = applyChange(now, c);
            now = applied.plan;
            inverses.push(applied.inverse);
          } catch (error) {
            if (!(error instanceof Clash || error instanceof Refused)) throw error;
          }
        }
        return sameJson(
          inverses.reverse().reduce((p, c) => applyChange(p, c).plan, now),
          laid(),
        );
      }),
      { seed: 11, numRuns: runs(300) },
    );
  });

  it('does not touch the plan it is given', () => {
    const before = laid();
    const copy = structuredClone(before);
    for (const c of CHANGES) applyChange(before, c);
    expect(before).toEqual(copy);
  });

  it('clashes on the same field with both values, and only there', () => {
    const theirs = applyChange(laid(), { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2500, 0) }).plan;
    expect(() =>
      applyChange(theirs, { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2900, 0) }),
    ).toThrowMatching(
      (e: Clash) =>
        e instanceof Clash &&
        e.field === 'fittings/g/place' &&
        sameJson(e.found, deck(2500, 0)) &&
        sameJson(e.wanted, deck(2900, 0)),
    );
    expect(applyChange(theirs, { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 50 }).plan.fittings.g?.lift).toBe(50);
  });

  it('clashes when the fitting was taken off meanwhile', () => {
    const gone = applyChange(laid(), { id: id(), kind: 'takeOffItem', item: 'g', from: crate }).plan;
    expect(() => applyChange(gone, { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 50 })).toThrowError(Clash);
  });

  it('refuses to leave a run without its end, or a run to itself', () => {
    expect(() => applyChange(laid(), { id: id(), kind: 'takeOffItem', item: 's', from: sounder })).toThrowError(Refused);
    expect(() =>
      applyChange(laid(), { id: id(), kind: 'routeRun', run: 'x', from: null, to: { ...run, to: 'nobody' } }),
    ).toThrowError(Refused);
    expect(() => applyChange(laid(), { id: id(), kind: 'routeRun', run: 'x', from: null, to: { ...run, to: 'b' } })).toThrowError(
      Refused,
    );
  });

  it('refuses a fitting that would stand on itself, hang from one that is gone, or join an unknown set', () => {
    const on = (fitting: string) => ({ on: 'fitting' as const, fitting, u: 0, v: 0, heading: 0 });
    const slide = (item: string, from: Plan['fittings'][string]['place'], to: typeof from): Change => ({
      id: id(),
      kind: 'slideItem',
      item,
      from,
      to,
    });
    const carried = applyChange(laid(), slide('b', battery.place, on('g'))).plan;
    expect(() => applyChange(carried, slide('g', crate.place, on('b')))).toThrowError(Refused, /stand on itself/);
    expect(() => applyChange(carried, slide('g', crate.place, on('g')))).toThrowError(Refused);
    expect(() => applyChange(carried, { id: id(), kind: 'takeOffItem', item: 'g', from: crate })).toThrowError(
      Refused,
      /stands on/,
    );
    expect(() => applyChange(laid(), { id: id(), kind: 'joinSets', item: 'g', from: null, to: ['no-such'] })).toThrowError(
      Refused,
    );
    const away = applyChange(laid(), { id: id(), kind: 'joinSets', item: 'g', from: null, to: ['away'] }).plan;
    expect(() =>
      applyChange(away, { id: id(), kind: 'nameSet', set: 'away', from: { name: 'away', order: 1 }, to: null }),
    ).toThrowError(Refused);
  });

  it('refuses keys that could reach a prototype, by schema', () => {
    for (const item of ['__proto__', 'a b', '', '../x', 'x'.repeat(80)])
      expect(changeSchema.safeParse({ id: id(), kind: 'liftItem', item, from: 0, to: 1 }).success).toBeFalse();
  });
});

describe('assemblies', () => {
  const on = (fitting: string, u: number) => ({ on: 'fitting' as const, fitting, u, v: 0, heading: 0 });
  const built = (): Plan => ({
    ...emptyPlan(),
    sets: { day: { name: 'day', order: 1 } },
    fittings: {
      c: { ...crate, sets: ['day'], locked: true },
      t: fitted('rod-tubes-crate-2', on('c', 230), 'loose', { tether: { to: 'c', length: 300 } }),
      k: fitted('camera-hood', on('t', 0), 'loose'),
      other: battery,
    },
  });
  const kit = takeAssembly(built(), 'c', { id: 'crate-kit', name: 'Crate with tubes', version: 1 });
  let n = 0;
  const newId = (old: string): string => `${old}-${++n}`;

  it('are a fitting and all that stands on it, without what belongs to one rig', () => {
    expect(assemblySchema.safeParse(kit).success).toBeTrue();
    expect(Object.keys(kit.fittings)).toEqual(['c', 't', 'k']);
    expect(kit.fittings['c']).toEqual({ ...crate, place: deck(0, 0) });
    expect(standingOn(built(), 't')).toEqual(['t', 'k']);
  });

  it('are placed as one copy that knows its origin, and hold together', () => {
    const { changes, base } = placeAssembly(kit, deck(2760, 0), newId);
    const placed = applyChange(emptyPlan(), {
      id: id(),
      kind: 'together',
      changes: changes.map((c) => ({ ...c, id: id() })),
    }).plan;
    expect(placed.fittings[base]?.of).toEqual({ assembly: 'crate-kit', version: 1 });
    expect(placed.fittings[base]?.place).toEqual(deck(2760, 0));
    expect(Object.values(placed.fittings).map((f) => f.part)).toEqual(['crate-open', 'rod-tubes-crate-2', 'camera-hood']);
    expect(holdsTogether(placed)).toBeNull();
    // Taken again from where it stands it is the same assembly but for names.
    const again = takeAssembly(placed, base, kit);
    expect(Object.values(again.fittings).map((f) => [f.part, f.lift, f.mount])).toEqual(
      Object.values(kit.fittings).map((f) => [f.part, f.lift, f.mount]),
    );
  });

  it('are brought to a newer version on request, the base staying where it is', () => {
    const { changes, base } = placeAssembly(kit, deck(2760, 0), newId);
    const together = (cs: readonly object[]): Change =>
      ({ id: id(), kind: 'together', changes: cs.map((c) => ({ ...c, id: id() })) }) as Change;
    const placed = applyChange(emptyPlan(), together(changes)).plan;
    const newer = {
      ...kit,
      version: 2,
      fittings: { c: kit.fittings['c'] ?? crate, x: fitted('rod-tubes-crate-4', on('c', 230), 'loose') },
    };
    const renewed = applyChange(placed, together(renewAssembly(placed, base, newer, newId))).plan;
    expect(Object.values(renewed.fittings).map((f) => f.part)).toEqual(['crate-open', 'rod-tubes-crate-4']);
    expect(renewed.fittings[base]?.of?.version).toBe(2);
    expect(renewed.fittings[base]?.place).toEqual(deck(2760, 0));
    expect(holdsTogether(renewed)).toBeNull();
    expect(renewAssembly(placed, 'nobody', newer, newId)).toEqual([]);
  });
});

describe('letters', () => {
  it('run bow to stern without I and O, AA after Z (common practice, no source)', () => {
    expect(Array.from({ length: 26 }, (_, n) => letter(n)).join(' ')).toBe(
      'A B C D E F G H J K L M N P Q R S T U V W X Y Z AA AB',
    );
  });

  it('stay frozen; a later fitting near C becomes C2', () => {
    const letters = assignLetters(['a', 'b', 'c', 'new', 'newer', 'd'], { a: 'A', b: 'B', c: 'C', d: 'D' });
    expect([...letters.values()]).toEqual(['A', 'B', 'C', 'C2', 'C3', 'D']);
    expect(assignLetters(['new', 'a'], { a: 'A' }).get('new')).toBe('A2');
  });
});

describe('ledger', () => {
  const hull = fairHull(TOLVANE);
  const measured = { hullRevision: 1, datum: 'bow', run: 'taut' as const, reading: 1600, offCentre: 372, down: null };
  const drilled = savedFact({ kind: 'holeDrilled', hole: 'x.1', label: 'A1', bit: 6.7, measured, elsewhere: false });

  it('derives the place of a hole from what was measured', () => {
    const at = measuredPlace(hull, measured);
    expect(Math.hypot(at?.x ?? 0, 372, (at?.z ?? 0) - 400)).toBeCloseTo(1600, 3);
    expect(measuredPlace(hull, { ...measured, reading: 9000 })).toBeNull();
    expect(measuredPlace(hull, { ...measured, run: 'centre', down: 60 })?.z).toBeCloseTo(hull.gunwale(1600) - 60, 6);
  });

  it('keeps holes for ever, plugged ones with what', () => {
    const plugged = savedFact({ kind: 'holePlugged', hole: 'x.1', with: 'nylon plug, sealed' });
    expect(foldLedger(hull, [drilled, plugged], 'plan-1').holes[0]?.plugged).toBe('nylon plug, sealed');
    expect(foldLedger(hull, [drilled, plugged], 'another-rig').holes.length).toBe(1);
  });

  it('a hole plugged and drilled anew is two holes', () => {
    const plugged = savedFact({ kind: 'holePlugged', hole: 'x.1', with: 'nylon plug' });
    const anew = savedFact({
      kind: 'holeDrilled',
      hole: 'x.1',
      label: 'A1',
      bit: 6.7,
      measured: { ...measured, reading: 1620 },
      elsewhere: false,
    });
    expect(foldLedger(hull, [drilled, plugged, anew], 'plan-1').holes.map((h) => [h.measured.reading, h.plugged])).toEqual([
      [1600, 'nylon plug'],
      [1620, null],
    ]);
  });

  it('corrects only by a later fact, and a taking-back can be taken back', () => {
    const back = savedFact({ kind: 'tookBack', fact: drilled.id, why: 'wrong hole' });
    const again = savedFact({ kind: 'tookBack', fact: back.id, why: 'it was right' });
    expect(foldLedger(hull, [drilled, back], 'plan-1').holes.length).toBe(0);
    expect(foldLedger(hull, [drilled, back, again], 'plan-1').holes.length).toBe(1);
  });

  it('adds minutes, keeps steps, stops and signatures of this rig alone', () => {
    const facts = [
      savedFact({ kind: 'minutesBooked', step: 'tape', minutes: 10 }),
      savedFact({ kind: 'minutesBooked', step: 'tape', minutes: 5 }),
      savedFact({ kind: 'stepDone', step: 'tape' }),
      savedFact({ kind: 'stopShown', stop: 'g' }),
      savedFact({ kind: 'signed', name: 'Ines', drawing: 'data:image/png;base64,AA==' }),
    ];
    const mine = foldLedger(hull, facts, 'plan-1');
    expect([mine.minutes.get('tape'), mine.steps.has('tape'), mine.shown.has('g'), mine.signed?.kind]).toEqual([
      15,
      true,
      true,
      'signed',
    ]);
    const other = foldLedger(hull, facts, 'plan-2');
    expect([other.minutes.size, other.steps.size, other.shown.size, other.signed]).toEqual([0, 0, 0, null]);
  });
});

describe('the schema of the rig file', () => {
  it('in the docs is the one the product validates with (npm run schema)', () => {
    const written = JSON.parse(readFileSync(new URL('../../docs/rig-file.schema.json', import.meta.url), 'utf8')) as object;
    const { title, ...schema } = written as { title: string };
    expect(title).toBe(`Plain Cleat rig file, version ${rigFileSchema.shape.version.value}`);
    expect(schema).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(rigFileSchema))));
  });
});

/** What the releases that wrote files of these versions said of them. */
const SAID = {
  4: {
    says: 'its parts come in facets',
    findings: ['open-hole:old.4', 'open-hole:old.5', 'reach:cleat'],
    totalCents: 22_927,
    holes: 10,
  },
  5: {
    says: 'each group of settings is pinned by itself',
    findings: [
      ...['hangs-over:board', 'hangs-over:sounder', 'hole-near-hazard:light:light.4', 'landing-side:sampler'],
      ...['paddle-stroke:sampler', 'paddle-stroke:sounder', 'reach:board', 'reach:cleat', 'reach:sounder'],
      ...['sinks:battery', 'thread-families:hull', 'used-up:hull:glands'],
    ],
    totalCents: 149_452,
    holes: 10,
  },
  6: {
    says: 'its compartments are rooms',
    findings: [
      ...['across-a-lid:board:mid-hatch', 'event-rule:hull:skerry-day.2', 'no-drain:hull:cockpit-floor'],
      ...['overlap:board:guestSeat', 'reach:reelP', 'rod-tips:trollP', 'rod-tips:trollS', 'scupper-covered:ladder:scup-2'],
    ],
    totalCents: 81_154,
    holes: 2,
  },
  7: {
    says: 'its tie points are the hull’s',
    findings: [
      ...['hangs-over:board', 'hangs-over:sounder', 'hole-near-hazard:light:light.4', 'landing-side:sampler'],
      ...['late-part:sounder', 'paddle-stroke:sampler', 'paddle-stroke:sounder', 'reach:board', 'reach:cleat'],
      ...['reach:sounder', 'thread-families:hull', 'used-up:hull:glands'],
    ],
    totalCents: 148_443,
    holes: 10,
  },
  8: {
    says: 'how one sits is asked set by set',
    findings: [
      ...['across-a-step:block', 'no-way-back:hull', 'nothing-reaches:rack', 'open-hole:came.stock-bungee', 'reach:cleat'],
      ...['road-height:rack', 'thread-families:hull'],
    ],
    totalCents: 70_143,
    holes: 2,
  },
  9: {
    says: 'what lies in a bundle is counted',
    findings: [
      ...['hangs-over:paddle', 'landing-side:steer', 'reach:clip', 'reach:horn', 'reach:kill', 'reach:paddle', 'reach:steer'],
      ...['replaced:hull:steer.motor-s-own-bracket', 'thread-families:hull'],
    ],
    totalCents: 269_972,
    holes: 11,
  },
  10: {
    says: 'no lines yet',
    findings: [
      ...['comes-loose:electronics', 'landing-side:mast', 'paddle-short:hull', 'paddle-stroke:frame'],
      ...['paddle-stroke:frame2', 'paddle-stroke:mast', 'paddle-stroke:radio', 'plugs-alike:port2'],
      ...['reach:kill', 'reach:ports', 'thread-families:hull', 'unvented:motorbat'],
    ],
    totalCents: 249_253,
    holes: 10,
  },
  11: {
    says: 'no signal cables yet',
    findings: [
      ...['across-a-lid:bag:mid-hatch', 'across-a-lid:spare:fore-hatch', 'comes-loose:spare', 'reach:tool'],
      ...['thread-families:hull', 'track-slots:rail'],
    ],
    totalCents: 135_114,
    holes: 12,
  },
  12: {
    says: 'its old cables lie as they lay',
    findings: [
      ...['comes-loose:c-box', 'fuse-too-large:c-feed-block', 'fuse-too-large:c-feed-bow', 'hangs-over:c-board'],
      ...['hangs-over:c-second', 'hangs-over:c-sounder', 'landing-side:c-sampler', 'light-unswitched:c-sidelights'],
      ...['paddle-stroke:c-sampler', 'paddle-stroke:c-second', 'paddle-stroke:c-sounder', 'reach:c-board'],
      ...['reach:c-cleat', 'reach:c-second', 'reach:c-side', 'reach:c-sounder'],
      ...['used-up:hull:glands'],
    ],
    totalCents: 9656,
    holes: 0,
  },
  13: {
    says: 'what was accepted holds by its first figure',
    findings: [
      ...['comes-loose:electronics', 'landing-side:mast', 'paddle-short:hull', 'paddle-stroke:frame'],
      ...['paddle-stroke:frame2', 'paddle-stroke:mast', 'paddle-stroke:radio', 'plugs-alike:port2'],
      ...['reach:kill', 'reach:ports', 'thread-families:hull', 'unvented:motorbat'],
    ],
    totalCents: 239_512,
    holes: 10,
  },
} as const;

describe('rig file', () => {
  const files = demoRigs('2026-11-25').map((d) => d.file);

  it('is the same bytes after export, import and export', () => {
    for (const file of files) {
      const bytes = writeRigFile(file);
      const read = readRigFile(bytes);
      if (!read.ok) return fail(JSON.stringify(read.faults));
      const again = makeRigFile({
        owner: read.file.owner.name,
        plan: read.file.plan,
        hull: read.file.hull,
        facts: read.file.ledger as never,
        catalog: read.file,
        shop: read.file.shop,
      });
      expect(writeRigFile(again)).toBe(bytes);
    }
  });

  it('of version 1 still opens, with the usual answer to what it was never asked', () => {
    const old = readFileSync(new URL('./fixtures/version-1.rig.json', import.meta.url), 'utf8');
    const read = readRigFile(old);
    if (!read.ok) return fail(JSON.stringify(read.faults));
    expect(read.file.version).toBe(15);
    expect(read.file.plan.sets).toEqual({});
    expect(read.file.plan.brief.cast).toBe('none');
    expect(read.file.shop.limits.standing).toBe(500);
    const { plan: before } = JSON.parse(old) as { plan: Plan };
    expect(read.file.plan.fittings).toEqual(before.fittings);
    expect(readRigFile(writeRigFile(read.file)).ok).toBeTrue();
  });

  it('of version 2 still opens: every way of holding has its minutes, the shop its limits for drilling', () => {
    const read = readRigFile(readFileSync(new URL('./fixtures/version-2.rig.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(JSON.stringify(read.faults));
    expect(read.file.shop.labor.mount.glue).toBe(12);
    expect(read.file.shop.drilling.knownWithin).toBe(8);
    expect(read.file.shop.holding.shock).toBe(2);
    expect(readRigFile(writeRigFile(read.file)).ok).toBeTrue();
  });

  it('of version 3 still opens: its holes stay where they were, the shop says how far bits step up', () => {
    const read = readRigFile(readFileSync(new URL('./fixtures/version-3.rig.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(JSON.stringify(read.faults));
    expect([read.file.shop.drilling.stepUp, read.file.shop.drilling.flatWithin]).toEqual([2.5, 0.5]);
    const { plan, hull, ledger, parts, consumables, shop } = read.file;
    const facts = ledger as Fact[];
    const w = workUp({ plan, hull, facts, catalog: { parts, consumables }, shop, asOf: '2026-11-25' });
    const drilled = w.ledger.holes.filter((h) => h.at);
    expect(drilled.length).toBe(5);
    for (const h of drilled) {
      const planned = w.drilling.holes.find((p) => p.id === h.id);
      expect(distance(h.at as never, planned?.at as never)).toBeLessThan(0.2);
    }
  });

  for (const [version, said] of Object.entries(SAID))
    it(`of version ${version} still opens: ${said.says}, and everything judged is as it was`, () => {
      const read = readRigFile(readFileSync(new URL(`./fixtures/version-${version}.rig.json`, import.meta.url), 'utf8'));
      if (!read.ok) return fail(JSON.stringify(read.faults));
      const { plan, hull, ledger, parts, consumables, shop } = read.file;
      const catalog = { parts, consumables };
      const w = workUp({ plan, hull, facts: ledger as Fact[], catalog, shop, asOf: '2026-06-10' });
      const judgedThen = w.findings.filter(judgedIn(Number(version)));
      expect(judgedThen.map((f) => f.key).sort()).toEqual([...said.findings]);
      expect([w.price.totals.totalCents, w.drilling.holes.length]).toEqual([said.totalCents, said.holes]);
      expect(readRigFile(writeRigFile(read.file)).ok).toBeTrue();
    });

  it('of version 13: what was accepted before measures were kept stands by the figure it was said with, and lapses past it', () => {
    const read = readRigFile(readFileSync(new URL('./fixtures/version-13.rig.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(JSON.stringify(read.faults));
    const { plan, hull, parts, consumables, shop } = read.file;
    const said = (accepted: Plan['accepted']) =>
      workUp({ plan: { ...plan, accepted }, hull, facts: [], catalog: { parts, consumables }, shop, asOf: '2026-06-10' })
        .findings;
    const of = (findings: ReturnType<typeof said>, key: string) => findings.find((f) => f.key === key);
    const now = said(plan.accepted);
    const kept = plan.accepted['paddle-stroke:frame'];
    expect(of(now, 'paddle-stroke:frame')?.accepted).toEqual(kept ?? null);
    expect(of(now, 'unvented:motorbat')?.accepted).not.toBeNull();
    // It said no figure, and has a measure now: nobody knows how much was accepted.
    expect([of(now, 'comes-loose:electronics')?.accepted, of(now, 'comes-loose:electronics')?.lapsed?.by]).toEqual([
      null,
      'Idris Fenn',
    ]);
    if (!kept?.size) return fail('no size');
    const worse = said({ 'paddle-stroke:frame': { ...kept, size: kept.size - 5 } });
    expect(of(worse, 'paddle-stroke:frame')?.accepted).toBeNull();
    const better = said({ 'paddle-stroke:frame': { ...kept, size: kept.size + 50 } });
    expect(of(better, 'paddle-stroke:frame')?.accepted).not.toBeNull();
  });

  it('of version 14: what was signed for before areas stays signed for', () => {
    const read = readRigFile(readFileSync(new URL('./fixtures/version-14.rig.json', import.meta.url), 'utf8'));
    if (!read.ok) return fail(JSON.stringify(read.faults));
    const { plan, hull, ledger, parts, consumables, shop } = read.file;
    const facts = ledger as Fact[];
    const w = workUp({ plan, hull, facts, catalog: { parts, consumables }, shop, asOf: '2026-06-10' });
    expect([w.handover.closing.closed, w.handover.closing.changed]).toEqual([true, []]);
    expect(w.ledger.unproven).toEqual([]);
    expect(JSON.parse(writeRigFile(read.file))).toEqual(jasmine.objectContaining({ version: 15 }) as never);
  });

  it('carries only the parts in use', () => {
    const [file] = files;
    const used = new Set(Object.values(file?.plan.fittings ?? {}).map((f) => f.part));
    expect(file?.parts.every((p) => used.has(p.id))).toBeTrue();
  });

  it('is refused with the field and what would be right', () => {
    const good = JSON.parse(writeRigFile(files[1] as never));
    const broken: [(f: typeof good) => void, RegExp][] = [
      [(f) => (f.format = 'something/else'), /^format/],
      [(f) => (f.version = 16), /^version/],
      [(f) => (f.hull.massKg = -1), /^hull\.massKg/],
      [(f) => (f.hull.stations[3].gunwale = 0), /^hull\.stations\.3\.gunwale/],
      [(f) => (f.hull.stations[1].x = 0), /^hull\.stations/],
      [(f) => (f.plan.pins.hull.revision = 9), /^hull/],
      [(f) => (f.plan.fittings.cleat.part = 'unknown-part'), /^plan\.fittings\.cleat\.part/],
      [(f) => (f.plan.fittings.cleat.revision = 2), /^plan\.fittings\.cleat\.part/],
      [(f) => (f.plan.fittings.cleat.revision = 1), /^plan\.fittings\.cleat\.revision/],
      [(f) => f.parts.push(f.parts[0]), /^parts/],
      [(f) => delete f.plan.pins.shop.wiring, /^plan\.pins\.shop\.wiring/],
      [(f) => (f.plan.fittings.sounder.place.track = 'no-such-track'), /track/],
      [(f) => (f.plan.runs['feed-mast'].to = 'ghost'), /^plan\.runs\.feed-mast\.to/],
      [(f) => (f.surprise = 1), /whole|surprise/],
    ];
    for (const [breakIt, field] of broken) {
      const bad = structuredClone(good);
      breakIt(bad);
      const read = readRigFile(JSON.stringify(bad));
      expect(read.ok).toBeFalse();
      if (!read.ok) expect(read.faults[0]?.field ?? '').toMatch(field);
    }
    expect(readRigFile('not json').ok).toBeFalse();
    expect(readRigFile('['.repeat(5_000_000)).ok).toBeFalse();
  });

  it('never throws and never accepts a file with one value turned hostile', () => {
    const good = JSON.parse(writeRigFile(files[1] as never)) as Record<string, unknown>;
    const hostile = fc.constantFrom<unknown>(
      null,
      -1,
      1e308,
      'x'.repeat(5000),
      '<script>',
      "'; DROP TABLE rigs; --",
      [],
      {},
      true,
      '__proto__',
      NaN,
      { toString: 1 },
      [[[]]],
    );
    const spots: string[][] = [];
    const walk = (value: unknown, path: string[]): void => {
      spots.push(path);
      if (value && typeof value === 'object') for (const [k, v] of Object.entries(value)) walk(v, [...path, k]);
    };
    walk(good, []);
    let refused = 0;
    fc.assert(
      fc.property(fc.constantFrom(...spots.slice(1)), hostile, (path, value) => {
        const bad = structuredClone(good);
        const holder = path.slice(0, -1).reduce<Record<string, unknown>>((o, k) => o[k] as Record<string, unknown>, bad);
        holder[path.at(-1) ?? ''] = value;
        const read = readRigFile(JSON.stringify(bad));
        if (!read.ok) refused++;
        return read.ok || read.faults.every((f) => f.field.length > 0 && f.says.length > 0);
      }),
      { seed: 12, numRuns: runs(1200) },
    );
    expect(refused).toBeGreaterThan(runs(900, 220));
  });

  it('carries each part in the revision its fittings are, and two revisions of one side by side', () => {
    const eye = partOf('pad-eye');
    const dearer: Part = { ...partWith(eye, { sold: { priceCents: 99_900 } }), revision: 2 };
    const input = inputOf({
      old: fitted('pad-eye', deck(900, 0), 'rivet'),
      new: fitted('pad-eye', deck(3250, 0), 'rivet', { revision: 2 }),
    });
    const catalog = { ...CATALOG, parts: [dearer, ...CATALOG.parts] };
    const { owned } = workUp({ ...input, catalog }).aboard;
    expect(owned.map((i) => i.placed.part.sold.priceCents)).toEqual([eye.sold.priceCents, 99_900]);
    const read = readRigFile(writeRigFile(makeRigFile({ ...input, catalog, owner: 'Spec Owner' })));
    expect(read.ok && read.file.parts.map((p) => p.revision)).toEqual([undefined, 2]);
    // A part that is not given in its revision is not aboard in another.
    expect(workUp(input).aboard.owned.map((i) => i.placed.id)).toEqual(['old']);
  });
});
