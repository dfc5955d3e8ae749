import { CATALOG, SHOP, TOLVANE } from '../../demo/index';
import { applyChange, type Plan } from '../rig';
import { deck, fitted, inputOf } from '../testing/plans';
import { Memory } from '../stages';
import { workUp } from '../workup';

/** A rig of sixty fittings, spread over the boat, with a feed to each that draws. */
function sixty(): Plan {
  const { plan } = inputOf({});
  const drilled = CATALOG.parts.filter((p) => p.kind !== 'battery' && p.kind !== 'motor');
  const fittings: Plan['fittings'] = { battery: fitted('battery-30', deck(600, 0), 'loose') };
  for (let i = 0; i < 59; i++) {
    const part = drilled[i % drilled.length];
    if (part)
      fittings[`f${i}`] = fitted(
        part.id,
        deck(200 + i * 55, ((i % 5) - 2) * 60),
        part.holds.includes('through') ? 'through' : 'loose',
      );
  }
  const runs = Object.fromEntries(
    Object.entries(fittings)
      .filter(([, f]) => CATALOG.parts.find((p) => p.id === f.part)?.draw)
      .map(([id]) => [`r-${id}`, { from: 'battery', to: id, lane: 'inside port' as const, via: [], awg: null }]),
  );
  return { ...plan, fittings, runs };
}

/** Median milliseconds of a piece of work. */
function median(work: (i: number) => unknown, times: number): number {
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    work(i);
    took.push(performance.now() - start);
  }
  return took.sort((a, b) => a - b)[Math.floor(times / 2)] ?? NaN;
}

/** Workups of the sixty under a brief: a fresh one, and after each step of a drag. */
function measure(plan: Plan): { full: number; dragged: number } {
  const input = { plan, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' };
  const session = new Memory();
  workUp(input, session);
  let now = plan;
  const drag = (i: number): unknown => {
    const from = now.fittings.f20?.place;
    if (!from) throw new Error('nothing to drag');
    now = applyChange(now, {
      id: '00000000-0000-4000-8000-000000000000',
      kind: 'slideItem',
      item: 'f20',
      from,
      to: deck(1300 + (i % 40), 60),
    }).plan;
    return workUp({ ...input, plan: now }, session);
  };
  for (let i = 0; i < 20; i++) drag(i);
  return { dragged: median(drag, 100), full: median(() => workUp(input), 9) };
}

const seated = sixty();
const standing: Plan = { ...seated, brief: { ...seated.brief, stands: 'both', cast: 'both' } };
const sets = Object.fromEntries(['day', 'troll', 'guest'].map((name, order) => [name, { name, order }]));
const copy = median(() => JSON.parse(JSON.stringify(seated)), 200);
const times = (ms: number): string => `${(ms / copy).toFixed(1)} ×`.padEnd(10);
const {
  drilling: { holes },
} = workUp({ plan: seated, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' });
console.log(`${Object.keys(seated.fittings).length} fittings, ${Object.keys(seated.runs).length} runs, ${holes.length} holes`);
console.log(`plain JSON copy of the plan                1.0 ×     (${copy.toFixed(3)} ms; a frame is 16 ms)`);
for (const [name, plan] of [
  ['seated', seated],
  ['standing and casting', standing],
  ['standing and casting, three sets', { ...standing, sets }],
] as const) {
  const { full, dragged } = measure(plan);
  console.log(`${name.padEnd(34)} full     ${times(full)}(${full.toFixed(1)} ms)`);
  console.log(`${''.padEnd(34)} a drag   ${times(dragged)}(${dragged.toFixed(2)} ms)`);
}
