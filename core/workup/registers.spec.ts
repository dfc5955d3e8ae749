import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { check, CHECKS, judgeRig, type Finding, type Judged } from '../checks/findings';
import { aboutHull } from '../checks/findings/finding';
import { partSchema } from '../parts/parts';
import { deck, fitted, inputOf, partOf } from '@plain-cleat/testing/plans';
import { say } from '../base/units';
import { VERBS } from '../rig';
import { asked, STAGES, workUp } from './index';

const input = inputOf({ c: fitted('crate-open', deck(2680, 0), 'loose'), e: fitted('pad-eye', deck(3250, 0), 'rivet') });

/** What the judgements of the product are given. */
function judgedOf(): Judged {
  let seen: Judged | undefined;
  const watching = STAGES.stage(
    'watched',
    ['seats', 'aboard', 'surface', 'plan', 'shop', 'ledger', 'weight', 'ashore', 'wiring'],
    (r, memory) => {
      const { laden } = r.weight.of(r.aboard.owned, r.seats.whole);
      seen = {
        hull: r.surface,
        drawn: input.hull,
        plan: r.plan,
        shop: r.shop,
        asOf: input.asOf,
        set: null,
        items: r.aboard.items,
        owned: r.aboard.owned,
        stands: r.aboard.stands,
        wiring: r.wiring,
        lines: [],
        circuits: [],
        day: null,
        tests: null,
        checks: [],
        oldHoles: [],
        others: [],
        ledger: r.ledger,
        openings: r.aboard.openings,
        ashore: r.ashore,
        float: laden,
        massKg: laden.massKg,
        gearKg: 0,
        steady: () => null,
        paddlers: r.seats.whole.paddlers,
        memory,
        strokes: () => ({ nominal: [], band: [], lack: () => null }),
        intrusionOf: () => ({}),
      };
      return seen;
    },
  );
  return watching.run(asked(input)).watched;
}

describe('adding one', () => {
  it('a stage: a function and a line, worked out from those before it', () => {
    const row = STAGES.stage('bolts', ['aboard.owned'], ({ owned }) => owned.reduce((sum, i) => sum + i.mounted.count, 0));
    expect(row.names).toEqual([...STAGES.names, 'bolts']);
    expect(row.run(asked(input)).bolts).toBe(workUp(input).aboard.owned.reduce((sum, i) => sum + i.mounted.count, 0));
  });

  it('a check: a file that describes it, and a line', () => {
    const littleAboard = check({
      about: 'rig',
      finds: {
        'little-aboard': { called: 'Little aboard', severity: 'note', acceptedBy: 'nobody', decides: 'the owner', since: 15 },
      },
      judge: ({ owned, hull }) =>
        owned.length > 2
          ? []
          : [
              {
                ...aboutHull(hull),
                code: 'little-aboard',
                says: say`Little is aboard.`,
                because: say`${owned.length} fittings.`,
              },
            ],
    });
    const found = (checks = CHECKS): Finding[] => judgeRig(judgedOf(), [], checks).filter((f) => f.code === 'little-aboard');
    expect(found()).toEqual([]);
    expect(found([...CHECKS, littleAboard]).map((f) => [f.severity, f.acceptable, f.decides])).toEqual([
      ['note', 'nobody', 'the owner'],
    ]);
  });

  it('a facet: a schema and a line; parts without it stay as they are', () => {
    const withSail = partSchema.extend({ sail: z.strictObject({ squareMetres: z.number().positive() }).optional() });
    const crate = partOf('crate-open');
    expect(withSail.parse(crate)).toEqual(crate);
    expect(withSail.parse({ ...crate, sail: { squareMetres: 1.2 } }).sail?.squareMetres).toBe(1.2);
    expect(withSail.safeParse({ ...crate, sail: { squareMetres: -1 } }).success).toBeFalse();
    expect(partSchema.safeParse({ ...crate, sail: {} }).success).toBeFalse();
  });

  it('a kind: no more than a word, which nothing judges by', () => {
    const strange = { ...partOf('crate-open'), kind: 'whatever the shop calls it' };
    expect(partSchema.safeParse(strange).success).toBeTrue();
    const parts = input.catalog.parts.map((p) => (p.id === strange.id ? strange : { ...p, kind: 'thing' }));
    const keys = (of: typeof input): string[] => workUp(of).findings.map((f) => f.key);
    expect(keys({ ...input, catalog: { ...input.catalog, parts } })).toEqual(keys(input));
  });
});

/** How often something is named in a file of the core. */
const named = (file: string, what: RegExp): number =>
  [...readFileSync(new URL(`../${file}`, import.meta.url), 'utf8').matchAll(what)].length;

/** CONTRIBUTING says what each costs: it stands in one place, and in one more where it is listed. */
describe('what is registered stands once', () => {
  it('a check in its file and in the list of checks', () => {
    const list = readFileSync(new URL('../checks/findings/checks.ts', import.meta.url), 'utf8');
    const lines = [...list.matchAll(/export \{([^}]*)\} from '\.\/([\w-]+)'/g)];
    const all = lines.flatMap(([, names = '', file]) =>
      names.split(',').flatMap((name) => (name.trim() ? [{ name: name.trim(), file: `checks/findings/${file}.ts` }] : [])),
    );
    expect(all.length).toBe(CHECKS.length);
    for (const { name, file } of all)
      expect(named(file, new RegExp(`export const ${name} = check\\(`, 'g')))
        .withContext(name)
        .toBe(1);
  });

  it('a verb in its row, with a sample that its schema takes', () => {
    const of = (kind: string): RegExp => new RegExp(`'${kind}',`, 'g');
    for (const { kind, schema, samples } of VERBS) {
      expect(named('rig/fitting-verbs.ts', of(kind)) + named('rig/plan-verbs.ts', of(kind)))
        .withContext(kind)
        .toBe(1);
      // Letters are given one by one only once they are printed.
      if (kind !== 'letterItem') expect(samples.length).withContext(kind).toBeGreaterThan(0);
      for (const sample of samples)
        expect(schema.safeParse({ id: ANY_ID, kind, ...sample }).success)
          .withContext(kind)
          .toBeTrue();
    }
  });

  it('a stage in its line', () => {
    for (const stage of STAGES.names)
      expect(named('workup/workup.ts', new RegExp(`\\.stage(?:With)?\\(\\s*'${stage}',`, 'g')))
        .withContext(stage)
        .toBe(1);
  });
});
const ANY_ID = '00000000-0000-4000-8000-000000000000';
