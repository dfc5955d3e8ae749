import { printVolts, type Case, type CircuitInUse, type LoadInUse } from '../../electric/circuits';
import { entryOf } from '../../rig';
import { say, over, under } from '../../base/units';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';

/** The least share of its nominal volts that a load works with (judgement, by data sheets): under it a screen starts anew. */
const WORKS_AT: Readonly<Record<LoadInUse['of'], number>> = { electronics: 0.9, lights: 0.85, other: 0.85, motor: 0.8 };

/** The fields of a finding about a battery or a load. */
const aboutIt = (
  { owned }: Judged,
  { letter, fitting }: Pick<LoadInUse, 'letter' | 'fitting'>,
): Pick<Raw, 'where' | 'letter' | 'x' | 'step'> => ({
  where: fitting,
  letter,
  x: owned.find((i) => i.placed.id === fitting)?.placed.frame.origin.x ?? 0,
  step: 'wire',
});

const feedsMotor = ({ loads }: CircuitInUse): boolean => loads.some((l) => l.of === 'motor');
const letters = ({ batteries }: CircuitInUse): string => batteries.map((b) => b.letter).join(' and ');

/** From another battery aboard of the same volts that turns no motor. */
function fromAnother({ plan, circuits, wiring, owned }: Judged, own: CircuitInUse, load: LoadInUse): Try[] {
  const run = wiring.runs.find((r) => r.to === load.fitting && own.batteries.some((b) => b.fitting === r.from));
  const from = run && entryOf(plan.runs, run.id);
  if (!run || !from) return [];
  const busy = new Set([own, ...circuits.filter(feedsMotor)].flatMap((c) => c.batteries.map((b) => b.fitting)));
  return wiring.network.batteries
    .filter((b) => !busy.has(b.fitting) && Math.abs(b.of.volts - load.nominal) < 3)
    .flatMap((b) => {
      const item = owned.find((i) => i.placed.id === b.fitting);
      return item
        ? [
            {
              says: say`Feed it from ${item.letter}, ${item.placed.part.name}`,
              changes: [{ kind: 'routeRun', run: run.id, from, to: { ...from, from: b.fitting } }],
            } satisfies Try,
          ]
        : [];
    });
}

/** How each case is told. */
const WHEN: Readonly<Record<Case, string>> = {
  full: '',
  low: ', the battery low and cold',
  stalled: ', a motor held fast',
};

/** With everything on each load still has the volts it works with: full and warm, low and cold at the end of a day, and with a motor held fast. */
export const sags = check({
  about: 'rig',
  finds: {
    'battery-fails': { called: 'Battery falls under the volts of its loads', severity: 'stop', acceptedBy: 'nobody', since: 10 },
    sags: { called: 'Volts sag', severity: ['look', 'stop'], since: 10 },
  },
  judge: (judged) =>
    judged.circuits.flatMap((circuit): Raw[] => {
      const [first] = circuit.batteries;
      if (first?.gives.full === null)
        return [
          {
            ...aboutIt(judged, first),
            code: 'battery-fails',
            fixable: false,
            says: say`${first.name} cannot feed all that hangs on it at once.`,
            because: say`What its loads ask for is more than gets through its wires and its own inside. A larger battery, another beside it, or thicker wires.`,
          },
        ];
      return circuit.loads.flatMap((load): Raw[] => {
        const least = WORKS_AT[load.of] * load.nominal;
        // A motor held fast is not asked how it does.
        const cases: readonly Case[] = load.of === 'motor' ? ['full', 'low'] : ['full', 'low', 'stalled'];
        const worst = cases.find((of) => (load.volts[of] ?? 0) < least);
        if (!worst) return [];
        const v = load.volts[worst];
        return [
          {
            ...aboutIt(judged, load),
            code: 'sags',
            severity: worst === 'full' ? 'stop' : 'look',
            fixable: true,
            measure: under(v ?? 0, 'V', least),
            says: say`${load.name} gets ${v === null ? 'no steady voltage' : printVolts(v)} with all of ${letters(circuit)} on${WHEN[worst]}; it works down to ${printVolts(least)}.`,
            because: say`An estimate: the battery gives way under what hangs on it, and the wires lose the rest. A battery of its own, a larger one, or a thicker wire.`,
            tries: fromAnother(judged, circuit, load),
          },
        ];
      });
    }),
});

/** A battery is asked for no more than its own protection lets through. */
export const overBattery = check({
  about: 'rig',
  finds: {
    'over-battery': { called: 'More current than the battery gives', severity: 'stop', since: 10 },
  },
  judge: (judged) =>
    judged.circuits
      .flatMap((c) => c.batteries)
      .flatMap((battery): Raw[] => {
        const { mostAmps, gives, name } = battery;
        if (mostAmps === null || !gives.full || gives.full.amps <= mostAmps) return [];
        return [
          {
            ...aboutIt(judged, battery),
            code: 'over-battery',
            fixable: false,
            measure: over(gives.full.amps, 'A', mostAmps),
            says: say`${name} gives ${mostAmps} A at the most; what hangs on it takes ${gives.full.amps.toFixed(1)} A.`,
            because: say`Its own protection switches it off, and everything on it stops. A larger battery, or another beside it.`,
          },
        ];
      }),
});

/** A screen on the battery that turns the motor: noise, sag, and with the motor's battery empty no screen to go home by. */
export const sharedWithMotor = check({
  about: 'rig',
  finds: {
    'shared-with-motor': { called: 'Electronics on the motor’s battery', severity: 'look', since: 10 },
  },
  judge: (judged) =>
    judged.circuits.filter(feedsMotor).flatMap((circuit) =>
      circuit.loads
        .filter((l) => l.of === 'electronics')
        .map((load): Raw => ({
          ...aboutIt(judged, load),
          code: 'shared-with-motor',
          fixable: true,
          says: say`${load.name} is fed from ${letters(circuit)}, which turns the motor.`,
          because: say`Noise on the screen, less volts while the motor runs, and with that battery empty no screen to go home by (common practice, no source). Many keep a battery of its own; others share one lithium battery behind a breaker.`,
          tries: fromAnother(judged, circuit, load),
        })),
    ),
});
