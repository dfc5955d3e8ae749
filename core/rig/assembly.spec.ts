import { randomUUID } from 'node:crypto';
import { deck, emptyPlan, fitted } from '@plain-cleat/testing/plans';
import { battery, crate } from '@plain-cleat/testing/changes';
import { holdsTogether } from './apply';
import { letter } from './letters';
import {
  applyChange,
  assemblySchema,
  assignLetters,
  type Change,
  placeAssembly,
  type Plan,
  renewAssembly,
  standingOn,
  takeAssembly,
} from './index';

const id = (): string => randomUUID();

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
