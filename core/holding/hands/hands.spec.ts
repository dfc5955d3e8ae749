import fc from 'fast-check';
import { CATALOG, QUENBY, SARROCK, TOLVANE } from '../../../demo/index';
import { FINDING_CODES, type Finding } from '../../checks/findings';
import type { HullModel } from '../../boat/hull';
import { type Activity, HAND_NAMES, type Hand } from '../../parts/parts';
import { USUAL_BRIEF, type Brief, type Fitting } from '../../rig';
import { deck, fitted, inputOf, partOf, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { activitiesOf, busyHands } from './activities';
import { handsIn, handsOf, toldHands, type HandsIn } from './index';
import { runs } from '../../../testing/runs';

const OF_HANDS: readonly Finding['code'][] = FINDING_CODES.filter((c) =>
  ['hand-taken', 'wrong-side', 'two-for-one-hand', 'let-go', 'across-rod'].includes(c),
);
const brief = (more: Partial<Brief>): Brief => ({ ...USUAL_BRIEF, ...more });
const raised = (fittings: Record<string, Fitting>, more: Partial<Brief>, hull: HullModel = TOLVANE): Finding[] =>
  workUp(inputOf(fittings, { brief: brief(more) }, [], hull)).findings.filter((f) => OF_HANDS.includes(f.code));
const among = (fittings: Record<string, Fitting>, more: Partial<Brief>, hull: HullModel = TOLVANE): HandsIn[] => {
  const { seats, aboard } = workUp(inputOf(fittings, { brief: brief(more) }, [], hull));
  return handsIn({ people: seats.whole.paddlers, brief: brief(more), items: aboard.items, clear: 60 });
};
const angling = { propulsion: ['motor'], cast: 'sidearm' } satisfies Partial<Brief>;

describe('what hands have', () => {
  it('follows from the brief: who paddles has both on the paddle, who casts the rod in one', () => {
    expect(activitiesOf(brief({ propulsion: ['paddle'], work: ['rods'] }))).toEqual(['paddling', 'landing']);
    expect(activitiesOf(brief({ propulsion: ['pedals', 'motor'], work: ['handline'], cast: 'overhead' }))).toEqual([
      ...(['pedalling', 'motoring', 'trolling', 'casting', 'landing'] as const),
    ]);
    expect(activitiesOf(brief({ propulsion: ['motor'], work: ['camera'] }))).toEqual(['motoring', 'filming']);
    for (const castHand of HAND_NAMES) {
      const off: Hand = castHand === 'left' ? 'right' : 'left';
      expect(busyHands('casting', brief({ castHand, reelHand: off }))[castHand]?.what).toBe('the rod');
      // Common practice, no source: the net is just behind the shoulder that casts, so the rod changes hands to land a fish.
      expect(busyHands('landing', brief({ castHand }))).toEqual({ [off]: { what: 'the rod', held: true } });
    }
  });

  it('steering goes to the hand that is free while the rod is held, on either hand (common practice, no source)', () => {
    for (const [castHand, free, rod] of [
      ['right', 'fwd-port', 'fwd-star'],
      ['left', 'fwd-star', 'fwd-port'],
    ] as const) {
      const more = { ...angling, castHand, reelHand: castHand === 'left' ? 'right' : 'left' } as const;
      expect(raised({ t: fitted('throttle-arm', track(free, 1700), 'track') }, more)).toEqual([]);
      const wrong = raised({ t: fitted('throttle-arm', track(rod, 1700), 'track') }, more);
      expect(wrong.map((f) => f.code)).toEqual(['wrong-side']);
    }
  });

  it('a front camera that films the paddler raises nothing, whoever works it', () => {
    const camera = fitted('camera-pole-short', track('fwd-port', 1210), 'track');
    const { findings } = workUp(inputOf({ c: camera }, { brief: brief({ work: ['camera'], propulsion: ['pedals'] }) }));
    expect(findings.filter((f) => f.code === 'lens-path' || OF_HANDS.includes(f.code))).toEqual([]);
  });

  it('what is held while reeling costs the reel, what is only touched does not', () => {
    const throttle = partOf('throttle-arm');
    if (!throttle.control) return fail('no control');
    const heldCasting = { ...throttle, control: { ...throttle.control, held: ['casting'] as Activity[], touched: [] } };
    const { seats, aboard } = workUp(
      inputOf({ t: fitted('throttle-arm', track('fwd-port', 1700), 'track') }, { brief: brief(angling) }),
    );
    const items = aboard.items.map((i) => ({ ...i, placed: { ...i.placed, part: heldCasting } }));
    const ways = { people: seats.whole.paddlers, brief: brief(angling), items, clear: 60 };
    const casting = handsIn(ways).find((h) => h.activity === 'casting');
    expect(casting?.grips[0]?.trouble).toEqual({ is: 'let go', of: 'the reel' });
  });

  it('in a tandem each has hands of their own', () => {
    const second = { stature: 1640, weightKg: 61 };
    const { x: fore } = SARROCK.seat;
    const aft = SARROCK.secondSeat?.x ?? 0;
    const two = {
      a: fitted('throttle-arm', deck(fore - 350, -250), 'through'),
      b: fitted('steering-kit', deck(aft - 350, -250), 'through'),
    };
    const hands = among(two, { propulsion: ['motor'], second }, SARROCK);
    expect(hands.map((h) => [h.person, h.grips.map((g) => [g.hand, g.trouble])])).toEqual([
      ['first', [['left', null]]],
      ['second', [['left', null]]],
    ]);
    const both = { ...two, b: { ...two.b, by: 'first' as const, place: deck(fore - 330, -250) } };
    const alone = among(both, { propulsion: ['motor'], second }, SARROCK);
    expect(alone.flatMap((h) => h.grips.flatMap((g) => g.trouble?.is ?? []))).toContain('two for one hand');
  });

  it('a second paddler who casts with the left has the rod in it, and their throttle on the other side', () => {
    const second = { stature: 1700, weightKg: 70, castHand: 'left', reelHand: 'right' } as const;
    const aft = (SARROCK.secondSeat?.x ?? 0) - 300;
    const on = (y: number) => raised({ t: fitted('throttle-arm', deck(aft, y), 'through') }, { ...angling, second }, SARROCK);
    expect(on(230)).toEqual([]);
    expect(on(-230).map((f) => f.code)).toEqual(['wrong-side']);
    expect(on(-230).map((f) => tell(f.because, 'metric'))[0]).toContain('Left hand casts, right reels.');
    const busy = among({}, { ...angling, second }, SARROCK).filter((h) => h.activity === 'casting');
    expect(busy.map((h) => [h.person, h.busy.left?.what, h.busy.right?.what])).toEqual([
      ['first', 'the reel', 'the rod'],
      ['second', 'the rod', 'the reel'],
    ]);
  });

  it('of what is held at once, as many find a hand as an exhaustive search finds hands for (random places, three hulls)', () => {
    const at = fc.record({ x: fc.integer({ min: -520, max: 160 }), y: fc.integer({ min: -430, max: 430 }) });
    fc.assert(
      fc.property(
        fc.constantFrom(TOLVANE, QUENBY, SARROCK),
        at,
        at,
        fc.integer({ min: 1500, max: 2000 }),
        (hull, one, two, stature) => {
          const place = ({ x, y }: { x: number; y: number }): Fitting =>
            fitted('throttle-arm', deck(hull.seat.x + x, y), 'through');
          const fittings = { a: place(one), b: place(two) };
          const { seats, aboard } = workUp(inputOf(fittings, { brief: brief({ propulsion: ['motor'], stature }) }, [], hull));
          const grips =
            handsIn({ people: seats.whole.paddlers, brief: brief({ propulsion: ['motor'] }), items: aboard.items, clear: 60 })[0]
              ?.grips ?? [];
          // The oracle: a grip at 0.386 of stature about a shoulder 0.338 over the seat and 0.129 off the middle.
          const reaches = ({ x, y, z }: { x: number; y: number; z: number }, hand: Hand): boolean => {
            const shoulder = [
              hull.seat.x,
              (hand === 'left' ? -0.129 : 0.129) * stature,
              hull.seat.low + 0.338 * stature,
            ] as const;
            return (
              Math.hypot(x - shoulder[0], y - shoulder[1], z - shoulder[2]) <= 0.386 * stature &&
              x - hull.seat.x <= 0.08 * stature
            );
          };
          const points = grips.map((g) => g.control.at);
          const [p, q] = points;
          if (!p || !q) return false;
          const can = (point: typeof p): Hand[] => HAND_NAMES.filter((h) => reaches(point, h));
          let most = 0;
          for (const a of [null, ...can(p)])
            for (const b of [null, ...can(q)])
              if (a === null || a !== b) most = Math.max(most, Number(a !== null) + Number(b !== null));
          return grips.filter((g) => g.trouble === null).length === most;
        },
      ),
      { numRuns: runs(300), seed: 14 },
    );
  });
});

describe('the legend of controls', () => {
  it('names each once, with its hand, in both languages', () => {
    const fittings = {
      t: fitted('throttle-arm', track('fwd-port', 1700), 'track'),
      s: fitted('steering-kit', track('fwd-star', 1650), 'track'),
    };
    const { seats, aboard } = workUp(inputOf(fittings, { brief: brief({ propulsion: ['motor'] }) }));
    const { legend } = handsOf({
      people: seats.whole.paddlers,
      brief: brief({ propulsion: ['motor'] }),
      items: aboard.items,
      clear: 60,
    });
    expect(legend.map((l) => [l.letter, toldHands(l, 'en'), toldHands(l, 'fr')])).toEqual([
      ['A', 'right hand (motoring)', 'main droite (au moteur)'],
      ['B', 'left hand (motoring)', 'main gauche (au moteur)'],
    ]);
  });

  it('every control of the catalog says in both languages what it does, and when', () => {
    const controls = CATALOG.parts.flatMap((p) => p.control ?? []);
    expect(controls.length).toBeGreaterThan(10);
    for (const { does, french, held, touched } of controls) {
      expect([does, french].every((text) => text.length > 3)).toBeTrue();
      expect(held.length + touched.length).toBeGreaterThan(0);
      expect(held.filter((a) => touched.includes(a))).toEqual([]);
    }
  });
});
