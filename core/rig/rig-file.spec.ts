import { judgedIn } from '@plain-cleat/testing/judged-since';
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import fc from 'fast-check';
import { CATALOG, demoRigs } from '../../demo/index';
import type { Part } from '../parts/parts';
import { distance } from '../base/units';
import { deck, fitted, inputOf, partOf, partWith } from '@plain-cleat/testing/plans';
import { workUp } from '../workup';
import { type Fact, makeRigFile, type Plan, readRigFile, rigFileSchema, writeRigFile } from './index';
import { runs } from '../../testing/runs';
import { SAID } from './fixtures/said';

describe('the schema of the rig file', () => {
  it('in the docs is the one the product validates with (npm run schema)', () => {
    const written = JSON.parse(readFileSync(new URL('../../docs/rig-file.schema.json', import.meta.url), 'utf8')) as object;
    const { title, ...schema } = written as { title: string };
    expect(title).toBe(`Plain Cleat rig file, version ${rigFileSchema.shape.version.value}`);
    expect(schema).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(rigFileSchema))));
  });
});

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
