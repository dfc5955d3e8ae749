import fc from 'fast-check';
import { deck, fitted, inputOf, partOf, track } from '@plain-cleat/testing/plans';
import { workUp } from '../workup';
import { holdsTogether } from './apply';
import { applyChange, makeRigFile, readRigFile, writeRigFile } from './index';

/** Names every plain object answers to, though nobody put them there. */
const NAMES = ['constructor', 'toString', 'valueOf', 'hasOwnProperty', 'isPrototypeOf', 'toLocaleString', 'propertyIsEnumerable'];

describe('names that every object answers to', () => {
  it('are names like others, for fittings, parts, sets, runs, wishes, stowage, groups and what is accepted (property)', () => {
    const name = fc.constantFrom(...NAMES);
    fc.assert(
      // Ids of parts are lower case: of these names only one is.
      fc.property(name, fc.constant('constructor'), name, fc.boolean(), (id, part, set, kept) => {
        const crate = { ...partOf('crate-open'), id: part };
        const input = inputOf(
          {
            [id]: { ...fitted(part, deck(2680, 0), 'loose'), sets: [set], group: id },
            b: fitted('battery-18', deck(1300, 0), 'loose'),
            s: { ...fitted('sounder-arm-7', track('aft-port', 2700), 'track'), elsewhere: { [set]: track('aft-port', 2600) } },
          },
          {
            sets: { [set]: { name: set, order: 1 } },
            runs: { [id]: { from: 'b', to: 's', lane: 'inside port', via: [], awg: null } },
            wishes: { [id]: { text: part, part } },
            stowage: { [id]: { in: 'bow-hold', what: id, kg: 1, litres: 1, wantsDry: false, use: 'stopped', later: false } },
            accepted: { [id]: { reason: 'spec', by: 'spec' } },
            letters: kept ? { [id]: 'C', b: 'A' } : null,
          },
        );
        const catalog = { ...input.catalog, parts: [...input.catalog.parts, crate] };
        expect(holdsTogether(input.plan)).toBeNull();
        for (const shown of [null, set]) {
          const w = workUp({ ...input, catalog, set: shown });
          expect(w.aboard.items.map((i) => i.placed.id)).toContain(id);
          expect(w.aboard.items.every((i) => /^[A-Z]+\d*$/.test(i.letter))).toBeTrue();
        }
        const { plan, inverse } = applyChange(input.plan, {
          id: '00000000-0000-4000-8000-000000000000',
          kind: 'takeOffItem',
          item: id,
          from: input.plan.fittings[id as 'constructor'] as never,
        });
        expect(applyChange(plan, inverse).plan).toEqual(input.plan);
        const text = writeRigFile(makeRigFile({ ...input, catalog, owner: id }));
        const read = readRigFile(text);
        expect(read.ok && writeRigFile(read.file)).toBe(text);
      }),
      { seed: 13, numRuns: 60 },
    );
  });

  it('are not there when nobody put them there', () => {
    const w = workUp(inputOf({ c: fitted('constructor', deck(2680, 0), 'loose') }));
    expect(w.aboard.items).toEqual([]);
    expect(workUp({ ...inputOf({}), set: 'constructor' }).aboard.items).toEqual([]);
  });
});
