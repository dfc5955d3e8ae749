import { printVolts, type BatteryInUse, type Case, type LoadInUse } from '../circuits';
import type { WiredRun } from '../wiring';
import { entryOf } from '../rig';
import { say } from '../units';
import type { Judged, Judgement, Raw, Try } from './finding';

/** The least share of its nominal volts that a load works with (judgement, by data sheets): under it a screen starts anew. */
const WORKS_AT: Readonly<Record<WiredRun['kind'], number>> = { electronics: 0.9, lights: 0.85, other: 0.85, motor: 0.8 };

/** The fields of a finding about a battery, or about the run of a load. */
const aboutIt = (
  { owned }: Judged,
  { letter, fitting }: Pick<LoadInUse, 'letter' | 'fitting'>,
  where: string,
): Pick<Raw, 'where' | 'letter' | 'x' | 'step'> => ({
  where,
  letter,
  x: owned.find((i) => i.placed.id === fitting)?.placed.frame.origin.x ?? 0,
  step: 'wire',
});

const feedsMotor = ({ loads }: BatteryInUse): boolean => loads.some((l) => l.of === 'motor');

/** From another battery aboard of the same volts that turns no motor. */
function fromAnother({ plan, circuits }: Judged, own: BatteryInUse, { run }: LoadInUse): Try[] {
  const from = entryOf(plan.runs, run);
  if (!from) return [];
  return circuits
    .filter((b) => b.fitting !== own.fitting && b.nominal === own.nominal && !feedsMotor(b))
    .map((b) => ({
      says: say`Feed it from ${b.letter}, ${b.name}`,
      changes: [{ kind: 'routeRun', run, from, to: { ...from, from: b.fitting } }],
    }));
}

/** With everything on each load still has the volts it works with: full and warm, and low and cold at the end of a day. */
export const sags: Judgement = (judged) =>
  judged.circuits.flatMap((battery): Raw[] => {
    const { loads, gives, nominal, name, letter } = battery;
    if (loads.length === 0) return [];
    if (!gives.full)
      return [
        {
          ...aboutIt(judged, battery, battery.fitting),
          code: 'battery-fails',
          severity: 'stop',
          curable: false,
          says: say`${name} cannot feed all that hangs on it at once.`,
          because: say`What its loads ask for is more than gets through its wires and its own inside. A larger battery, another beside it, or thicker wires.`,
        },
      ];
    return loads.flatMap((load): Raw[] => {
      const least = WORKS_AT[load.of] * nominal;
      const short = ([of, v]: readonly [Case, number | null]): boolean => (of === 'low' || v !== null) && (v ?? 0) < least;
      const worst = (
        [
          ['full', load.volts.full],
          ['low', load.volts.low],
        ] as const
      ).find(short);
      if (!worst) return [];
      const [of, v] = worst;
      return [
        {
          ...aboutIt(judged, load, load.run),
          code: 'sags',
          severity: of === 'full' ? 'stop' : 'look',
          curable: true,
          says: say`${load.name} gets ${v === null ? 'no steady voltage' : printVolts(v)} with all of ${letter} on${of === 'full' ? '' : ', the battery low and cold'}; it works down to ${printVolts(least)}.`,
          because: say`An estimate: ${name} gives way under what hangs on it, and its wire loses the rest. Its own battery, a larger one, or a thicker wire.`,
          tries: fromAnother(judged, battery, load),
        },
      ];
    });
  });

/** A battery is asked for no more than its own protection lets through. */
export const overBattery: Judgement = (judged) =>
  judged.circuits.flatMap((battery): Raw[] => {
    const { mostAmps, gives, name } = battery;
    if (mostAmps === null || !gives.full || gives.full.amps <= mostAmps) return [];
    return [
      {
        ...aboutIt(judged, battery, battery.fitting),
        code: 'over-battery',
        severity: 'stop',
        curable: false,
        says: say`${name} gives ${mostAmps} A at the most; what hangs on it takes ${gives.full.amps.toFixed(1)} A.`,
        because: say`Its own protection switches it off, and everything on it stops. A larger battery, or another beside it.`,
      },
    ];
  });

/** A screen on the battery that turns the motor: noise, sag, and with the motor's battery empty no screen to go home by. */
export const sharedWithMotor: Judgement = (judged) =>
  judged.circuits.filter(feedsMotor).flatMap((battery) =>
    battery.loads
      .filter((l) => l.of === 'electronics')
      .map((load): Raw => ({
        ...aboutIt(judged, load, load.run),
        code: 'shared-with-motor',
        severity: 'look',
        curable: true,
        says: say`${load.name} is fed from ${battery.letter}, which turns the motor.`,
        because: say`Noise on the screen, less volts while the motor runs, and with that battery empty no screen to go home by (common practice, no source). Many keep a battery of its own; others share one lithium battery behind a breaker.`,
        tries: fromAnother(judged, battery, load),
      })),
  );
