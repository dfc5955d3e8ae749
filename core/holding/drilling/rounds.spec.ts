import { deck, fitted, inputOf, savedFact } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { bitFor } from './bits';
import { stepsUp } from './rounds';
import { crossMeasure, toolName } from './index';

describe('stepping up', () => {
  const inch = (n: number) => bitFor(n * 25.4, 'inch');
  it('goes by even ratios, none more than the shop allows, and not for a hole saw', () => {
    expect(stepsUp(inch(1 / 8), inch(17 / 64), 2.5, 'inch')).toEqual([]);
    expect(stepsUp(inch(1 / 8), inch(1 / 2), 2.5, 'inch').map((b) => b.name)).toEqual(['1/4']);
    const fine = stepsUp(inch(1 / 8), inch(1 / 2), 1.5, 'inch');
    [inch(1 / 8), ...fine, inch(1 / 2)].forEach((b, i, all) => {
      const before = all[i - 1];
      if (before) expect(b.mm / before.mm).toBeLessThan(1.6);
    });
    expect(stepsUp(inch(1 / 8), inch(2), 2.5, 'inch')).toEqual([]);
    expect([toolName(inch(2)), toolName(inch(1 / 4))]).toEqual(['2 hole saw', '1/4']);
  });
});

describe('the walk', () => {
  const eye = (x: number, y: number) => fitted('pad-eye', deck(x, y), 'rivet');
  const walked = (fittings: Parameters<typeof inputOf>[0]): string[][] =>
    workUp(inputOf(fittings)).rounds.map((r) => r.holes.map((id) => id.split('.')[0] ?? ''));

  it('goes round the nearer end to the other side, and the next bit begins where the last one ended', () => {
    const rounds = walked({ a: eye(700, 250), b: eye(2600, 380), c: eye(700, -250), d: eye(2600, -380) });
    const once = rounds.map((r) => [...new Set(r)]);
    // 700 + 1400 round the bow + 1900 + 2000 round the stern; down one side and back up is 500 mm more.
    expect(once[0]).toEqual(['c', 'a', 'b', 'd']);
    expect(once[1]).toEqual(['d', 'c', 'a', 'b']);
  });

  it('many stops: each once, no farther than zigzagging bow to stern', () => {
    const fittings = Object.fromEntries(Array.from({ length: 12 }, (_, i) => [`f${i}`, eye(600 + i * 200, i % 2 ? -300 : 300)]));
    const [first] = walked(fittings);
    expect(new Set(first).size).toBe(12);
    const order = [...new Set(first)].map((id) => Number(id.slice(1)));
    // All of one side comes before any of the other.
    const sides = order.map((i) => i % 2);
    expect(sides.filter((s, i) => i > 0 && s !== sides[i - 1]).length).toBe(1);
  });
});

describe('a check by the rule', () => {
  const w = workUp(inputOf({ n: fitted('pad-eye', deck(2800, 100), 'rivet'), e: fitted('pad-eye', deck(2950, 100), 'rivet') }));
  it('is to the nearest neighbour on the same face, centre to centre', () => {
    const [a, b] = w.drilling.holes;
    if (!a || !b) return fail('no holes');
    const cross = crossMeasure(a, w.drilling.holes);
    expect(cross?.to).toBe(b.label);
    expect(cross?.distance).toBeCloseTo(Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y, a.at.z - b.at.z), 9);
    expect(crossMeasure(a, [a])).toBeNull();
  });

  it('prefers a hole that is there', () => {
    const found = savedFact({
      kind: 'holeFound',
      hole: 'old.1',
      label: 'F1',
      bit: 6,
      says: 'found',
      measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: 2860, offCentre: 180, down: null },
    });
    const there = workUp(inputOf({ n: fitted('pad-eye', deck(2800, 100), 'rivet') }, {}, [found]));
    const [a] = there.drilling.holes;
    if (!a) return fail('no hole');
    expect(crossMeasure(a, there.drilling.holes, there.drilling.oldHoles)).toEqual(
      jasmine.objectContaining({ to: 'old F1', drilled: true }),
    );
  });
});
