import { CATALOG, demoRigs, TOLVANE } from '../../../demo/index';
import { bestHeld } from '../../checks/advice';
import { applyChange, fittingOf, isMakers, type DraftChange, type Place, type Plan } from '../../rig';
import { tell } from '../../base/units';
import { workUp, type Workup, type WorkupInput } from '../../workup';
import { deck, fitted, inputOf, partOf, track } from '@plain-cleat/testing/plans';
import { layouts } from '@plain-cleat/testing/sampled';
import { worseThan } from '@plain-cleat/testing/worse';
import { runs } from '../../../testing/runs';
import { bestPlaces, byScore, orderInWords, placeInWords, placeRest, type PlaceSearch, type TriedPlace } from './index';
import { beforeOf, scoreOf, type Score } from './score';
import { spotsFor } from './spots';

let n = 0;
const search = (more: Partial<PlaceSearch> = {}): PlaceSearch => ({
  ...{ units: 'metric', newId: () => `${(n += 7919).toString(36)}xyzxyz`, range: CATALOG.parts, budget: 30, step: 150 },
  ...more,
});
const ID = '00000000-0000-4000-8000-000000000000';
const taken = (plan: Plan, changes: readonly DraftChange[]): Plan =>
  changes.reduce((p, c) => applyChange(p, { ...c, id: ID }).plan, plan);

/** What is found that was not, or by more than before: stops and looks. */
function newlySaid(before: Workup, after: Workup): readonly [stops: number, looks: number] {
  const fresh = worseThan(before, after).filter((f) => !f.accepted);
  return [fresh.filter((f) => f.severity === 'stop').length, fresh.filter((f) => f.severity === 'look').length];
}
const toDrill = (w: Workup): number => w.drilling.holes.filter((h) => !h.drilled || h.openUp).length;

/** A place as the whole workup says of it, worked up from nothing; hand and balance as it was ranked by. */
function judgedAnew(input: WorkupInput, { changes, score }: TriedPlace): number[] {
  const [before, after] = [workUp(input), workUp({ ...input, plan: taken(input.plan, changes) })];
  const [stops, looks] = newlySaid(before, after);
  return [stops, score.hand, score.balance, looks, toDrill(after) - toDrill(before)];
}
const isWorse = (a: readonly number[], b: readonly number[]): boolean => {
  const i = a.findIndex((x, k) => x !== b[k]);
  return i >= 0 && (a[i] ?? 0) > (b[i] ?? 0);
};

const WISHED = [
  'rod-tube-raised',
  'sounder-arm-7',
  'crate-open',
  'mast-light',
  'bottle-holder',
  'anchor-5',
  'pad-eye',
  'head-phone',
];

describe('the best places of a part', () => {
  it('pass every check, and the first is no worse by the whole workup than those shown after it, over rigs by chance', () => {
    const many = runs(100, 3);
    const all = layouts();
    let shown = 0;
    for (let i = 0; i < many; i++) {
      const { input, hull } = all[Math.floor((i * all.length) / many)] ?? { input: inputOf({}), hull: TOLVANE };
      const part = partOf(WISHED[i % WISHED.length] ?? '');
      const { places } = bestPlaces(input, part, search({ budget: 12, step: 300 }));
      const anew = places.slice(0, 3).map((p) => judgedAnew(input, p));
      shown += anew.length;
      for (const [k, one] of anew.entries()) {
        const told = `${hull.name}, ${part.id}, place ${k + 1}`;
        expect(one[0]).withContext(told).toBe(0);
        expect(isWorse(anew[0] ?? [], one))
          .withContext(told)
          .toBeFalse();
      }
    }
    expect(shown).toBeGreaterThan(many / 2);
  });

  it('are the same over the demo rigs, beside what stands there', () => {
    for (const { file } of demoRigs('2026-06-01').slice(0, runs(9, 1))) {
      const { plan, hull, ledger, shop } = file;
      const input: WorkupInput = { plan, hull, facts: ledger, shop, catalog: CATALOG, asOf: '2026-06-01' };
      for (const id of WISHED.slice(0, runs(8, 1))) {
        const anew = bestPlaces(input, partOf(id), search({ budget: 12 }))
          .places.slice(0, 3)
          .map((p) => judgedAnew(input, p));
        for (const one of anew) {
          expect(one[0]).withContext(`${plan.title}, ${id}`).toBe(0);
          expect(isWorse(anew[0] ?? [], one))
            .withContext(`${plan.title}, ${id}`)
            .toBeFalse();
        }
      }
    }
  });

  it('mirror with the boat: who casts with the other hand is offered the other side', () => {
    const mirrored = (p: Place): Place => {
      if (p.on === 'track')
        return {
          ...p,
          track: p.track.endsWith('port') ? p.track.replace('port', 'star') : p.track.replace('star', 'port'),
          heading: 0 - p.heading,
        };
      return p.on === 'deck' ? { ...p, y: 0 - p.y, heading: 0 - p.heading } : p;
    };
    const inputFor = (castHand: 'left' | 'right'): WorkupInput => {
      const input = inputOf({});
      const reelHand = castHand === 'left' ? ('right' as const) : ('left' as const);
      return {
        ...input,
        plan: { ...input.plan, brief: { ...input.plan.brief, castHand, reelHand, hand: castHand, propulsion: ['pedals'] } },
      };
    };
    for (const id of ['bottle-holder', 'pad-eye', 'crate-open']) {
      const [right, left] = (['right', 'left'] as const).map(
        (hand) => bestPlaces(inputFor(hand), partOf(id), search()).places[0],
      );
      expect(right).withContext(id).toBeDefined();
      const there = right && mirrored(right.place);
      expect(JSON.parse(JSON.stringify(left?.place)))
        .withContext(id)
        .toEqual(JSON.parse(JSON.stringify(there)));
    }
  });

  it('on a coarse grid are as good as trying every place', () => {
    for (const id of WISHED.slice(0, runs(8, 1))) {
      const input = inputOf({ crate: fitted('crate-open', deck(2760, 0), 'loose') });
      const part = partOf(id);
      const w = workUp(input);
      const { plan, shop } = input;
      const setting = {
        hull: w.surface,
        brief: plan.brief,
        shop,
        others: w.aboard.items.map((i) => i.placed),
        units: 'metric' as const,
        step: 400,
      };
      const before = beforeOf(input, w);
      let best: Score | null = null;
      for (const { place } of spotsFor(part, setting, false)) {
        const { mount, advice } = bestHeld({ plan, shop, workup: w }, part, place);
        if (advice && !advice.fits) continue;
        const after = workUp({
          ...input,
          plan: taken(plan, [{ kind: 'placeItem', item: 'x', to: { ...fittingOf(part, place), mount } }]),
        });
        if (!after.aboard.items.some((i) => i.placed.id === 'x')) continue;
        const score = scoreOf(before, after, 'x');
        if (!best || byScore(score, best) < 0) best = score;
      }
      const [found] = bestPlaces(input, part, search({ budget: 60, step: 400, range: [] })).places;
      // What stands on a base has none here; of the others nothing is better.
      if (best && best.stops === 0)
        expect(found && byScore(found.score, best))
          .withContext(id)
          .toBeLessThanOrEqual(0);
    }
  });

  it('a screen comes with its transducer and their cable, a phone clamp with what it stands on: one change each', () => {
    const input = inputOf({});
    const [screen] = bestPlaces(input, partOf('sounder-arm-7'), search()).places;
    const parts = (screen?.changes ?? []).flatMap((c) => (c.kind === 'placeItem' ? [partOf(c.to.part)] : []));
    expect(parts.some((p) => p.sonar)).toBeTrue();
    expect(screen?.changes.some((c) => c.kind === 'routeRun' && c.to?.has === 'signal')).toBeTrue();
    const [phone] = bestPlaces(input, partOf('head-phone'), search()).places;
    const plan = taken(input.plan, phone?.changes ?? []);
    expect(Object.values(plan.fittings).length).toBeGreaterThan(1);
    expect(workUp({ ...input, plan }).findings.filter((f) => f.code === 'does-not-join')).toEqual([]);
  });

  it('what has none is said with what stops it where it would go best', () => {
    const { places, stopped } = bestPlaces(inputOf({}), partOf('stake-pole'), search());
    expect(places).toEqual([]);
    expect(stopped?.against.some((f) => f.severity === 'stop')).toBeTrue();
  });

  it('are said in words: where, what for, what against, and why in this order', () => {
    const input = inputOf({ bottle: fitted('bottle-holder', track('aft-star', 2500), 'track') });
    const { places } = bestPlaces(input, partOf('rod-tube-raised'), search());
    const [first] = places;
    if (!first) return fail('no place');
    const { title, says } = placeInWords(input, first);
    expect(tell(title, 'metric')).toMatch(/track, (port|starboard), \d/);
    expect(tell(says, 'metric')).toMatch(/^(At hand|A half turn to reach), T-bolts in a track, no holes/);
    expect(orderInWords(places.slice(0, 3))).toMatch(/^(Nothing is said against 1|Nothing stops any of them)\. 2 .+; 3 .+\.$/);
  });
});

describe('placing the rest', () => {
  const placed = (changes: readonly DraftChange[]): string[] =>
    changes.flatMap((c) => (c.kind === 'placeItem' ? [c.to.part] : []));

  it('of demo rigs stripped of their fittings stops nothing, names what has no place, and whatever is so far can be kept', () => {
    for (const { file } of demoRigs('2026-06-01').filter(
      ({ file: { plan } }) => runs(1, 0) === 1 || plan.title === 'family day rig',
    )) {
      const { hull, shop } = file;
      const stood = Object.values(file.plan.fittings).filter((f) => !isMakers(f));
      const makers = Object.fromEntries(Object.entries(file.plan.fittings).filter(([, f]) => isMakers(f)));
      const plan: Plan = { ...file.plan, fittings: makers, runs: {}, lines: {}, stowage: {}, accepted: {} };
      // As a screen has it: the parts of what is aboard, and no others.
      const aboard = new Set(Object.values(makers).map((f) => f.part));
      const catalog = { ...CATALOG, parts: CATALOG.parts.filter((p) => aboard.has(p.id)) };
      const input: WorkupInput = { plan, hull, facts: [], shop, catalog, asOf: '2026-06-01' };
      const wanted = stood.flatMap((f) => {
        const part = CATALOG.parts.find((p) => p.id === f.part);
        return part ? [{ wish: f.part, part }] : [];
      });
      const placing = placeRest(input, wanted, search({ budget: 20 * wanted.length }));
      let now = placing.next();
      for (let i = 0; !now.done; i++, now = placing.next())
        if (i % 40 === 0) expect(() => taken(plan, now.value.changes)).not.toThrow();
      const { value } = now;
      const told = plan.title;
      expect(value.placed + value.lacking.length)
        .withContext(told)
        .toBe(wanted.length);
      const whole = { ...input, catalog: CATALOG };
      const after = workUp({ ...whole, plan: taken(plan, value.changes) });
      expect(newlySaid(workUp(whole), after)[0])
        .withContext(told)
        .toBe(0);
      for (const { part } of wanted)
        if (!value.lacking.some((l) => l.part === part)) expect(placed(value.changes)).withContext(told).toContain(part.id);
      for (const { stopped } of value.lacking) if (stopped) expect(stopped.score.stops).withContext(told).toBeGreaterThan(0);
    }
  });
});
