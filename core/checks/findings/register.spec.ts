import { readdirSync, readFileSync } from 'node:fs';
import { checksPage } from '@plain-cleat/testing/checks-page';
import { rigFileSchema } from '../../rig';
import { inputOf } from '@plain-cleat/testing/plans';
import { look, type Check } from './check';
import { CHECKS, KINDS, whoAccepts } from './index';
import type { Judged } from './finding';

describe('the register of checks', () => {
  const described = CHECKS.flatMap(({ finds }) => Object.entries(finds));

  it('describes each thing that can be found once, under a name of its own', () => {
    const kinds = new Map(described.map(([code, kind]) => [kind, code]));
    const twice = (all: readonly string[]): string[] => all.filter((one, i) => all.indexOf(one) !== i);
    expect(twice([...kinds.values()])).toEqual([]);
    expect(twice([...kinds.keys()].map(({ called }) => called))).toEqual([]);
    expect(Object.keys(KINDS).length).toBe(kinds.size);
  });

  it('is the page of the docs (npm run checks)', () =>
    expect(readFileSync(new URL('../../../docs/checks.md', import.meta.url), 'utf8')).toBe(checksPage()));

  it('says since which rig file each is judged', () => {
    const newest = rigFileSchema.shape.version.value;
    expect(described.filter(([, { since }]) => since < 1 || since > newest).map(([code]) => code)).toEqual([]);
  });

  it('has every file that describes one', () => {
    const here = new URL('.', import.meta.url);
    const listed = readFileSync(new URL('checks.ts', here), 'utf8');
    const describing = readdirSync(here).filter(
      (f) => f.endsWith('.ts') && !f.endsWith('.spec.ts') && /= check\(\{/.test(readFileSync(new URL(f, here), 'utf8')),
    );
    expect(describing.filter((f) => !listed.includes(`'./${f.replace('.ts', '')}'`))).toEqual([]);
    const exported = describing.flatMap((f) =>
      [...readFileSync(new URL(f, here), 'utf8').matchAll(/export const (\w+) = check\(\{/g)].map((m) => m[1] ?? ''),
    );
    expect(exported.filter((name) => !new RegExp(`\\b${name}\\b`).test(listed))).toEqual([]);
    expect(exported.length).toBe(CHECKS.length);
  });

  it('lets nobody accept what nobody may, whatever thing it is found at', () => {
    expect([whoAccepts('off-hull:a'), whoAccepts('plug-too-small:b:1'), whoAccepts('reach:a'), whoAccepts('nonsense')]).toEqual([
      'nobody',
      'manager',
      'anyone',
      'anyone',
    ]);
  });
});

describe('a check', () => {
  const judged = { hull: inputOf({}).hull } as unknown as Judged;
  const finding = (code: string, severity?: 'stop' | 'look' | 'note') => ({
    ...{ where: 'hull', letter: '', x: 0, fixable: false, step: 'lay out' as const, says: ['a'], because: ['b'], code },
    ...(severity ? { severity } : {}),
  });
  const one = (code: string, severity?: 'stop' | 'look' | 'note'): Check => ({
    about: 'rig',
    finds: {
      fixed: { called: 'Fixed', severity: 'stop', since: 1 },
      open: { called: 'Open', severity: ['note', 'look'], since: 1 },
    },
    judge: () => [finding(code, severity)],
  });

  it('says how bad what it finds is, where it did not leave that open', () => {
    expect(look(one('fixed'), judged)[0]?.severity).toBe('stop');
    expect(look(one('open', 'note'), judged)[0]?.severity).toBe('note');
  });

  it('finds nothing but what it describes, as bad as it describes it', () => {
    for (const wrong of [one('unknown'), one('open'), one('open', 'stop'), one('fixed', 'note')])
      expect(() => look(wrong, judged)).toThrowError(RangeError);
  });
});
