import { CATALOG, SHOP, TOLVANE } from '../../demo/index';
import { applyChange, type Plan } from '../rig';
import { deck, fitted, inputOf } from '../testing/bench';
import { workUp, WorkupSession } from '../workup';

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

const plan = sixty();
const input = { plan, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' };
const session = new WorkupSession();
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
const copy = median(() => JSON.parse(JSON.stringify(plan)), 200);
const full = median(() => workUp(input), 15);
const dragged = median(drag, 100);
const times = (ms: number): string => `${(ms / copy).toFixed(1)} ×`;
console.log(
  `${Object.keys(plan.fittings).length} fittings, ${Object.keys(plan.runs).length} runs, ${workUp(input).holes.length} holes`,
);
console.log(`plain JSON copy of the plan    1.0 ×   (${copy.toFixed(3)} ms)`);
console.log(`workUp, full                   ${times(full)}   (${full.toFixed(1)} ms)`);
console.log(`workUp after one drag          ${times(dragged)}   (${dragged.toFixed(2)} ms; a frame is 16 ms)`);
