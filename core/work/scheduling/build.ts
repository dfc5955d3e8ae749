import type { ShopSettings } from '../../parts/shop';
import { comesOff, SET_UP } from '../labor';
import type { DrillGate } from '../../holding/drilling';
import type { Fitted } from '../../holding/fitted';
import type { Placed } from '../../layout';
import { cordWords, type LedLine } from '../../lines';
import type { Ledger } from '../../rig';
import type { CableChecked } from '../../electric/bench-test';
import type { SignalRun, WiredRun } from '../../electric/wiring';
import { cableSteps, wiredBy, type Cabling } from './cable-steps';
import { drillSteps, fitSteps, makeSteps, stripSteps } from './fitting-steps';
import { NOT_YET, standings, type Standing } from './gates';
import { step, stepId, type Draft } from './step-work';

/** One step of the build. */
export interface BuildStep extends Standing, Draft {
  readonly booked: number;
  /** Done by what a meter reads, on Wire. */
  readonly byReadings: boolean;
}

/** What the build follows from. */
export interface BuildInput {
  readonly owned: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
  readonly cables: readonly (WiredRun | SignalRun)[];
  readonly lines: readonly LedLine[];
  readonly shop: ShopSettings;
  readonly ledger: Ledger;
  readonly gate: DrillGate;
  /** What the bench test reads and checks, and what of it still holds its step open; none where a tick is enough. */
  readonly tests: readonly CableChecked[];
  readonly open: readonly CableChecked[];
}

export interface Build {
  readonly steps: readonly BuildStep[];
}

/** Every line that is led anew, once what it is led through is in its place. */
const lineSteps = (lines: readonly LedLine[], set: readonly string[], { lineMinutes }: ShopSettings['labor']): Draft[] =>
  lines
    .filter((l) => !l.there)
    .map(({ id, line, cord, led, old }) =>
      step(['lead', id], `${old ? 'Lead' : 'Cut and lead'}: ${line.use}`, lineMinutes, set, {
        fitting: led.find((l) => l.fitting !== null)?.fitting ?? null,
        detail: `${cordWords(cord)}${old ? ', the old one' : ''}; ${led.map((l) => l.letter || l.name).join(', ')}.`,
      }),
    );

/** The steps in working order: inspect, lay out, drill, seal and cure, wire, fit, lead, test. */
function draftSteps({ owned, takenOff, cables, lines, shop, tests }: BuildInput): Draft[] {
  const { labor } = shop;
  const setUp = (share: keyof typeof SET_UP): number => SET_UP[share] * labor.setUpMinutes;
  // What stands as it came needs no hand.
  const items = owned.filter((i) => !i.mounted.there);
  const drilled = items.filter((i) => i.holes.length > 0);
  const dry = items.filter((i) => i.holes.length === 0);
  const ready = drilled.length ? ['cure'] : ['agree'];
  const isDrilled = new Set(drilled.map((i) => i.placed.id));
  const cabling: Cabling = {
    ...{ cables, labor, tests, letterOf: new Map(owned.map((i) => [i.placed.id, i.letter])) },
    waits: ({ from, to, glands }) => ([from, to, ...glands].some((f) => isDrilled.has(f)) ? ready : ['agree']),
  };
  const strip = stripSteps(comesOff(items, takenOff), labor);
  const fit = fitSteps(dry, ready, labor);
  const set = [...ready, ...fit.map((f) => f.id)];
  const led = lineSteps(lines, set, labor);
  const fitted = [...set, ...wiredBy(cabling), ...led.map((l) => l.id)];
  return [
    step('receive', 'Receive and inspect the hull', setUp('receive'), [], {
      detail: 'Broken handles, worn bow strip, clips missing their half, old holes.',
    }),
    step('measure', 'Measure two known distances', setUp('measure'), ['receive'], { detail: 'This hull against the drawing.' }),
    ...strip,
    step('tape', 'Lay out and tape up', setUp('tape'), ['measure', ...strip.map((p) => p.id)]),
    step('agree', 'Owner agrees to the taped layout', setUp('agree'), ['tape']),
    ...makeSteps(items),
    ...drillSteps(drilled, shop),
    ...cableSteps(cabling),
    ...fit,
    ...led,
    step('weigh', 'Shake, tilt, push and tug everything', setUp('weigh'), fitted, { detail: 'Nothing moves. Hatches shut.' }),
    step('hose', 'Hose test', setUp('hose'), ['weigh'], { detail: 'Leak check at every hole.' }),
    step('photos', 'Clean and photograph', setUp('photos'), ['hose']),
  ];
}

/** The build in working order, and how each step stands. */
export function build(input: BuildInput): Build {
  const { owned, takenOff, ledger, gate, shop, tests, open } = input;
  const drafts = draftSteps(input);
  const stands = standings(drafts, { items: owned, takenOff, ledger, gate, shop, tests, open });
  return {
    steps: drafts.map((d) => ({
      ...d,
      ...(stands.get(d.id) ?? NOT_YET),
      booked: ledger.minutes.get(d.id) ?? 0,
      byReadings: tests.some((t) => stepId('test', t.run) === d.id),
    })),
  };
}

/** Steps that are done by what is marked, typed or agreed elsewhere, not by a tick. */
export const byItself = (step: Pick<BuildStep, 'work' | 'byReadings'>, shop: ShopSettings): boolean =>
  step.work === 'drill' || step.byReadings || (step.work === 'agree' && shop.drilling.agree);

/** Steps that every hole waits for and that are not done: a hole that is drilled before them is early. */
export function beforeHoles(steps: readonly BuildStep[]): BuildStep[] {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const waited = new Set<string>();
  const follow = (id: string): void => {
    for (const need of byId.get(id)?.needs ?? [])
      if (!waited.has(need)) {
        waited.add(need);
        follow(need);
      }
  };
  for (const s of steps) if (s.work === 'drill') follow(s.id);
  return steps.filter((s) => waited.has(s.id) && !s.done);
}

/** What can be done next: open steps whose needs are done. */
export const readySteps = (steps: readonly BuildStep[]): BuildStep[] => {
  const done = new Set(steps.filter((s) => s.done).map((s) => s.id));
  return steps.filter((s) => !s.done && s.needs.every((n) => done.has(n)));
};
