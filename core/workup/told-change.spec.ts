import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { CATALOG, SHOP, TOLVANE } from '../../demo/index';
import { applyChange, type Change, type Plan } from '../rig';
import { battery, CHANGES, crate, laid, sounder } from '@plain-cleat/testing/changes';
import { deck } from '@plain-cleat/testing/plans';
import type { Told } from './field-words';
import { deletedBy, fieldWords, overTheirs, valueWords } from './index';
import { tell } from '../base/units';
import { workUp } from '.';

const id = (): string => randomUUID();
const told = (plan: Plan): Told => ({
  plan,
  workup: workUp({ plan, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' }),
});
const before = told(laid());
const both = (path: string, value: unknown, at = before): [string, string] => [
  fieldWords(path, at),
  tell(valueWords(path, value, at), 'imperial'),
];

describe('a field of the plan, told to a person', () => {
  it('has its name and its value in words, for a clash to be settled by', () => {
    expect(both('fittings/g/note', 'hers')).toEqual(['the note of C, Crate, open, 13 × 16', 'hers']);
    expect(both('fittings/g/note', '')).toEqual(['the note of C, Crate, open, 13 × 16', 'nothing written']);
    expect(both('fittings/g/sets', null)[1]).toBe('all');
    expect(both('fittings/gone/note', null)).toEqual(['the note of a fitting that is not aboard', 'deleted']);
    expect(both('fittings/g/sets', ['away'])[1]).toBe('away');
    expect(both('fittings/g/tether', { to: 'b', length: 610 })[1]).toBe('24 in, to A, Battery 18 Ah, lithium');
    expect(both('brief/stature', 1750)).toEqual(['the paddler’s height', '68 7/8 in']);
    expect(both('brief/budgetCents', 120_050)[1]).toBe('1,200.50');
    expect(both('tape', { datum: 'stern', run: 'gunwale' })).toEqual(['the tape', 'from stern tip, along the gunwale']);
    expect(both('runs/r', null)).toEqual(['the run from A, Battery 18 Ah, lithium to B, Sounder 7 in, deck arm', 'deleted']);
  });

  it('reads a place by the tape as it is hooked, in the reader’s units: a turned one, one off to port, one on another', () => {
    const centre = told({ ...laid(), tape: { datum: 'bow', run: 'centre' } });
    const place = { on: 'deck', x: 2540, y: -254, heading: 30 };
    expect(tell(valueWords('fittings/g/place', place, centre), 'imperial')).toMatch(
      /, 100 in from bow tip, 10 in to port, turned 30°$/,
    );
    expect(tell(valueWords('fittings/g/place', place, centre), 'metric')).toMatch(
      /, 2540 mm from bow tip, 254 mm to port, turned 30°$/,
    );
    const on = { on: 'fitting', fitting: 'g', u: 0, v: 0, heading: 0 };
    expect(tell(valueWords('fittings/b/place', on, centre), 'metric')).toMatch(
      /^Crate, open, 13 × 16, 2697 mm from bow tip, on the/,
    );
    expect(tell(valueWords('fittings/b/place', { ...on, fitting: 'gone' }, centre), 'metric')).toBe(
      'on what is not aboard any more',
    );
  });

  it('shows no code to anybody, whatever was changed (every kind of change, before and after, in both units)', () => {
    for (const change of CHANGES) {
      const after = told(applyChange(laid(), change).plan);
      for (const path of applyChange(laid(), change).touched)
        for (const at of [before, after]) {
          const value = path.split('/').reduce<unknown>((v, key) => (v as Record<string, unknown> | null)?.[key], at.plan);
          for (const system of ['imperial', 'metric'] as const) {
            const said = `${fieldWords(path, at)}: ${tell(valueWords(path, value ?? null, at), system)}`;
            expect(said)
              .withContext(`${change.kind} ${path}`)
              .not.toMatch(/undefined|null|object|[{}[\]_]|[a-z]\/|[a-z][A-Z]|NaN/);
            expect(said).not.toContain('g/');
          }
        }
    }
  });

  it('names what was deleted: one by its letter, several by their number, nothing else at all', () => {
    const off = (item: string, from: typeof crate) => ({ id: id(), kind: 'takeOffItem' as const, item, from });
    expect(deletedBy(off('g', crate), before)).toBe('C, Crate, open, 13 × 16');
    const run = laid().runs.r ?? null;
    const changes = [
      { id: id(), kind: 'routeRun' as const, run: 'r', from: run, to: null },
      off('s', sounder),
      off('b', battery),
    ];
    expect(deletedBy({ id: id(), kind: 'together', changes }, before)).toBe('2 fittings');
    expect(deletedBy({ id: id(), kind: 'routeRun', run: 'r', from: run, to: null }, before)).toMatch(/^the run from A/);
    const slid: Change = { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2600, 0) };
    expect(deletedBy(slid, before)).toBeNull();
    expect(deletedBy({ id: id(), kind: 'groupItem', item: 'g', from: 'pair', to: null }, before)).toBeNull();
  });
});

describe('mine over theirs', () => {
  it('puts there what I wanted, whatever they did to that field (property over pairs of changes)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CHANGES), fc.constantFrom(...CHANGES), (theirs, mine) => {
        const there = applyChange(laid(), theirs).plan;
        const anew = overTheirs(there, mine, id);
        if (!anew) return;
        const wanted = applyChange(laid(), mine);
        const got = applyChange(there, anew).plan;
        for (const path of wanted.touched) {
          const at = (plan: unknown): unknown =>
            path.split('/').reduce<unknown>((v, key) => (v as Record<string, unknown> | null | undefined)?.[key], plan) ?? null;
          // What was there already is not sent again, and stays.
          expect(at(got)).toEqual(at(wanted.plan));
        }
      }),
      { seed: 12, numRuns: 600 },
    );
  });

  it('cannot move what was deleted meanwhile, nor leave a run without its end', () => {
    const gone = applyChange(laid(), { id: id(), kind: 'takeOffItem', item: 'g', from: crate }).plan;
    expect(overTheirs(gone, { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2600, 0) }, id)).toBeNull();
    expect(overTheirs(laid(), { id: id(), kind: 'takeOffItem', item: 's', from: sounder }, id)).toBeNull();
  });

  it('takes several as one, and only what is not there already', () => {
    const there = applyChange(laid(), { id: id(), kind: 'noteItem', item: 'g', from: '', to: 'theirs' }).plan;
    const mine: Change = {
      id: id(),
      kind: 'together',
      changes: [
        { id: id(), kind: 'noteItem', item: 'g', from: '', to: 'mine' },
        { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 40 },
        { id: id(), kind: 'nameRig', from: 'old', to: 'spec rig' },
      ],
    };
    const anew = overTheirs(there, mine, id);
    expect(anew?.kind === 'together' && anew.changes.map((c) => c.kind)).toEqual(['noteItem', 'liftItem']);
    expect(anew && applyChange(there, anew).plan.fittings.g).toEqual({ ...crate, note: 'mine', lift: 40 });
  });

  it('a set is told by who sits in it, where that is another than in the brief', () => {
    const set = {
      name: 'guest',
      order: 1,
      sits: { first: { body: { stature: 1600, weightKg: 50 }, recline: 10 }, second: null },
    };
    expect(tell(valueWords('sets/a', set, before), 'metric')).toBe(
      'guest, seat 1600 mm, 50 kg leaning 10°, nobody on the second seat',
    );
    expect(tell(valueWords('sets/a', { name: 'day', order: 1 }, before), 'metric')).toBe('day');
  });
});
