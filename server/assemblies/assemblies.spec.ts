import type { Part } from '@plain-cleat/core/parts/parts';
import type { Assembly, Fitting } from '@plain-cleat/core/rig';
import { fitted } from '@plain-cleat/testing';
import { type Person, problemOf, shop } from '../testing/shop';

const lying = (part: string, place: Fitting['place']): Fitting => fitted(part, place, 'loose');
const kit = (more: Partial<Assembly> = {}): Assembly => ({
  id: 'spec-kit',
  name: 'Crate with tubes',
  version: 1,
  base: 'c',
  fittings: {
    c: lying('crate-open', { on: 'deck', x: 0, y: 0, heading: 0 }),
    t: lying('rod-tubes-crate-2', { on: 'fitting', fitting: 'c', u: 230, v: 0, heading: 0 }),
  },
  ...more,
});

describe('the library of assemblies', () => {
  let mara: Person;
  beforeAll(async () => (mara = await (await shop()).signIn('mara')));
  const keep = (assembly: Assembly, expects: number) => mara.post('/api/assemblies', { assembly, expects });

  it('keeps one, then a newer version, and shows the newest', async () => {
    expect(((await keep(kit(), 0).expect(200)).body as Assembly).version).toBe(1);
    expect(((await keep(kit({ name: 'Crate, two tubes' }), 1).expect(200)).body as Assembly).version).toBe(2);
    const { assemblies, parts } = (await mara.get('/api/assemblies').expect(200)).body as {
      assemblies: Assembly[];
      parts: Part[];
    };
    expect(parts.map((p) => p.id)).toEqual(jasmine.arrayContaining(['crate-open', 'rod-tubes-crate-2']));
    expect(assemblies.filter((a) => a.id === 'spec-kit').map((a) => [a.version, a.name])).toEqual([[2, 'Crate, two tubes']]);
    expect(problemOf(await keep(kit(), 1).expect(422)).detail).toContain('at version 2 by now');
  });

  it('refuses what could not be placed, by field', async () => {
    const at = (assembly: Assembly) => keep({ ...assembly, id: 'bad-kit' }, 0).expect(422);
    expect(problemOf(await at(kit({ base: 'x' }))).field).toBe('assembly.base');
    expect(problemOf(await at(kit({ name: ' ' }))).detail).toContain('call it something');
    expect(
      problemOf(await at(kit({ fittings: { c: lying('no-such', { on: 'deck', x: 0, y: 0, heading: 0 }) } }))).detail,
    ).toContain('no part no-such');
    const loose = kit({ fittings: { ...kit().fittings, z: lying('camera-hood', { on: 'deck', x: 1, y: 0, heading: 0 }) } });
    expect(problemOf(await at(loose)).field).toBe('assembly.fittings.z.place');
  });
});
