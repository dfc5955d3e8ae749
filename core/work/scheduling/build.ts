import type { ShopSettings } from '../../parts/shop';
import {
  comesOff,
  drillMinutes,
  fastenMinutes,
  isMadeHere,
  pullMinutes,
  SET_UP,
  takeOffMinutes,
  terminateMinutes,
} from '../labor';
import type { DrillGate } from '../../holding/drilling';
import type { Fitted } from '../../holding/fitted';
import type { Placed } from '../../layout';
import { cordWords, type LedLine } from '../../lines';
import { takenOff as takenOffThe, type Ledger } from '../../rig';
import type { Held } from '../../electric/bench-test';
import { isSignal, guardWords, type SignalRun, type WiredRun } from '../../electric/wiring';
import { NOT_YET, standings, type Standing } from './gates';
import { type StepWork } from './step-work';

/** One step of the build. */
export interface BuildStep extends Standing {
  readonly id: string;
  readonly work: StepWork;
  readonly says: string;
  readonly detail: string;
  readonly fitting: string | null;
  /** Hands on, by the shop's standard times. */
  readonly minutes: number;
  /** Time that passes and nobody works, hours. */
  readonly cureHours: number;
  readonly needs: readonly string[];
  readonly booked: number;
  /** Done by what a meter reads, on Wire. */
  readonly byReadings: boolean;
}

type Draft = Omit<BuildStep, keyof Standing | 'booked' | 'byReadings'>;

/** A step of the build: of the whole boat, or of one fitting or run. */
function step(
  what: StepWork | readonly [StepWork, string],
  says: string,
  minutes: number,
  needs: readonly string[],
  more: Partial<Draft> = {},
): Draft {
  const [work, of] = typeof what === 'string' ? [what] : what;
  const id = of === undefined ? work : stepId(work, of);
  return { id, work, says, detail: '', fitting: null, minutes, cureHours: 0, needs, ...more };
}

const stepId = (work: StepWork, of: string): string => `${work}.${of}`;

const holesWord = (n: number): string => `${n} ${n === 1 ? 'hole' : 'holes'}`;

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
  readonly tests: readonly Held[];
  readonly open: readonly Held[];
}

export interface Build {
  readonly steps: readonly BuildStep[];
}

/** The build in working order: inspect, lay out, drill, seal and cure, wire, test, hand over. */
export function build({ owned, takenOff, cables, lines, shop, ledger, gate, tests, open }: BuildInput): Build {
  const { labor } = shop;
  const setUp = (share: keyof typeof SET_UP): number => SET_UP[share] * labor.setUpMinutes;
  // What stands as it came needs no hand.
  const items = owned.filter((i) => !i.mounted.there);
  const off = comesOff(items, takenOff);
  const drilled = items.filter((i) => i.holes.length > 0);
  const dry = items.filter((i) => i.holes.length === 0);
  const made = (i: Fitted): string[] => (isMadeHere(i.placed) ? [stepId('make', i.placed.id)] : []);
  const letterOf = new Map(owned.map((i) => [i.placed.id, i.letter]));
  const drafts: Draft[] = [
    step('receive', 'Receive and inspect the hull', setUp('receive'), [], {
      detail: 'Broken handles, worn bow strip, clips missing their half, old holes.',
    }),
    step('measure', 'Measure two known distances', setUp('measure'), ['receive'], { detail: 'This hull against the drawing.' }),
    ...off.map((p) =>
      step(['strip', p.id], `Take off: ${p.part.name}`, takeOffMinutes(p, labor), ['receive'], {
        fitting: p.id,
        detail: takenOffThe(p.fitting)
          ? 'Bag it with its fasteners and label it: it goes back to the owner.'
          : 'It goes on elsewhere.',
      }),
    ),
    step('tape', 'Lay out and tape up', setUp('tape'), ['measure', ...off.map((p) => stepId('strip', p.id))]),
    step('agree', 'Owner agrees to the taped layout', setUp('agree'), ['tape']),
    ...items
      .filter((i) => isMadeHere(i.placed))
      .map((i) =>
        step(['make', i.placed.id], `Make ${i.letter}, ${i.placed.part.name}`, i.placed.part.made?.minutes ?? 0, [], {
          fitting: i.placed.id,
          detail: (i.placed.part.made?.of ?? []).map((m) => `${m.count} × ${m.what}`).join(', '),
        }),
      ),
    ...drilled.map((i) =>
      step(['drill', i.placed.id], `Drill ${i.letter}, ${i.placed.part.name}`, drillMinutes(i.holes, labor), ['agree'], {
        fitting: i.placed.id,
        detail: `${holesWord(i.holes.length)}. Eye protection on. Know what is behind.`,
      }),
    ),
    ...drilled.map((i) =>
      step(
        ['fasten', i.placed.id],
        `Fasten and seal ${i.letter}, ${i.placed.part.name}`,
        fastenMinutes(i.mounted, i.holes, labor),
        [stepId('drill', i.placed.id), ...made(i)],
        {
          fitting: i.placed.id,
          detail: i.mounted.fastener
            ? `${i.mounted.count} × ${i.mounted.fastener}${i.mounted.plate ? ', backing plate' : ''}.`
            : 'Its own nut and gasket.',
        },
      ),
    ),
  ];
  const sealed = drilled.map((i) => stepId('fasten', i.placed.id));
  if (drilled.length)
    drafts.push(step('cure', 'Let the sealant cure', 0, sealed, { cureHours: shop.cureHours, detail: 'No load, no water.' }));
  const ready = drilled.length ? ['cure'] : ['agree'];
  const isDrilled = new Set(drilled.map((i) => i.placed.id));
  // A cable waits for the sealant it is drawn through, and for no other.
  const waits = ({ from, to, glands }: WiredRun | SignalRun): string[] =>
    [from, to, ...glands].some((f) => isDrilled.has(f)) ? ready : ['agree'];
  const isSeen = (id: string): boolean => tests.some((t) => t.run === id);
  const lies = (run: SignalRun): string[] => (run.there ? waits(run) : [stepId('pull', run.id)]);
  const fedBy = (fitting: string): string[] =>
    cables.filter((c) => !isSignal(c) && c.to === fitting).map((c) => stepId('test', c.id));
  for (const run of cables) {
    const name = `${letterOf.get(run.from) ?? '?'} to ${letterOf.get(run.to) ?? '?'}`;
    if (isSignal(run)) {
      const detail = `${run.family ?? 'Signal'}, ${run.lane}: not cut. Both plugs in, what is over coiled and tied up.`;
      if (!run.there)
        drafts.push(
          step(['pull', run.id], `Pull signal cable ${name}`, pullMinutes(run, labor), waits(run), { fitting: run.to, detail }),
        );
      // Seen while the circuits of both its ends are tested: no minutes of its own.
      if (isSeen(run.id))
        drafts.push(
          step(['test', run.id], `See signal ${name} on the screen`, 0, [...lies(run), ...fedBy(run.from), ...fedBy(run.to)], {
            fitting: run.to,
            detail: 'Switched on, and with the motor running.',
          }),
        );
      continue;
    }
    if (!run.there)
      drafts.push(
        step(['pull', run.id], `Pull wire ${name}`, pullMinutes(run, labor), waits(run), {
          fitting: run.to,
          detail: `${run.gauge}${run.conductors === 2 ? ' pair' : ''}, ${run.lane}.${run.given === 'aboard' ? ' The old one, pulled out first.' : ''}`,
        }),
        step(['end', run.id], `Terminate ${name}`, terminateMinutes(run, labor), [stepId('pull', run.id)], {
          fitting: run.to,
          detail: guardWords(run),
        }),
      );
    drafts.push(
      step(['test', run.id], `Test circuit ${name}`, labor.circuitTestMinutes, run.there ? waits(run) : [stepId('end', run.id)], {
        fitting: run.to,
        detail: 'Polarity, alone and with all others, voltage at the load.',
      }),
    );
  }
  for (const i of dry)
    drafts.push(
      step(
        ['fit', i.placed.id],
        `Fit ${i.letter}, ${i.placed.part.name}`,
        fastenMinutes(i.mounted, i.holes, labor),
        [...ready, ...made(i)],
        {
          fitting: i.placed.id,
          detail: i.mounted.fastener ? `${i.mounted.count} × ${i.mounted.fastener}.` : 'Set in place, strapped.',
        },
      ),
    );
  const set = [...ready, ...dry.map((i) => stepId('fit', i.placed.id))];
  const anew = lines.filter((l) => !l.there);
  for (const { id, line, cord, led, old } of anew)
    drafts.push(
      step(['lead', id], `${old ? 'Lead' : 'Cut and lead'}: ${line.use}`, labor.lineMinutes, set, {
        fitting: led.find((l) => l.fitting !== null)?.fitting ?? null,
        detail: `${cordWords(cord)}${old ? ', the old one' : ''}; ${led.map((l) => l.letter || l.name).join(', ')}.`,
      }),
    );
  const wired = cables.flatMap((c) => (isSignal(c) && !isSeen(c.id) ? lies(c) : [stepId('test', c.id)]));
  const fitted = [...set, ...wired, ...anew.map((l) => stepId('lead', l.id))];
  drafts.push(
    step('weigh', 'Shake, tilt, push and tug everything', setUp('weigh'), fitted, { detail: 'Nothing moves. Hatches shut.' }),
    step('hose', 'Hose test', setUp('hose'), ['weigh'], { detail: 'Leak check at every hole.' }),
    step('photos', 'Clean and photograph', setUp('photos'), ['hose']),
  );
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
