import { nominalVolts, printAmps } from '../../electric/circuits';
import type { Fitted } from '../../holding/fitted';
import { entryOf, type Run } from '../../rig';
import { mm, say, over } from '../../base/units';
import { isSignal, BESIDE_MOTOR, otherLane, sideBySide } from '../../electric/wiring';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';
import { aboutFitting, aboutRun, nameIn } from './wires';

/** A plug carries so much of what it is rated: loose ones arc and melt in summer heat (common practice, no source). */
const OF_RATED = 0.85;

/** The plug of a load carries what goes through it. */
export const plugsHold = check({
  about: 'rig',
  finds: {
    'plug-over': { called: 'Plug overloaded', severity: 'stop', acceptedBy: 'nobody', since: 14 },
    'plug-too-small': { called: 'Plug small for the current', severity: 'stop', acceptedBy: 'manager', since: 10 },
  },
  judge: (judged) =>
    judged.owned.flatMap((item): Raw[] => {
      const { part } = item.placed;
      const { plug, draw } = part.power ?? {};
      if (!plug || !draw || draw.amps <= OF_RATED * plug.amps) return [];
      return [
        {
          ...aboutFitting(item),
          code: draw.amps > plug.amps ? 'plug-over' : 'plug-too-small',
          measure: over(draw.amps, 'A', OF_RATED * plug.amps),
          says: say`The plug of ${part.name} is rated ${plug.amps} A; ${printAmps(draw.amps)} A go through it.`,
          because: say`${Math.round(100 * OF_RATED)} % of what it is rated is the most: in summer heat it arcs and melts (common practice, no source). The next larger plug.`,
        },
      ];
    }),
});

/** What a plug is connected to, as far as changing it over would do harm; null for what none of it would hurt. */
function meantFor({ wiring }: Judged, { placed: { id, part } }: Fitted): string | null {
  const { charges, draw } = part.power ?? {};
  if (draw) return `${draw.of === 'motor' ? 'a motor' : 'a load'} of ${nominalVolts(draw.volts)} V`;
  if (!charges) return null;
  const flow = wiring.flows.find((f) => f.fitting === id);
  const battery = wiring.network.batteries.find((b) => (flow?.shares.get(b.fitting) ?? 0) !== 0);
  return battery ? `charging ${battery.of.chemistry} of ${nominalVolts(battery.of.volts)} V` : null;
}

/** Two plugs that mate and must not be changed over. */
export const plugsAlike = check({
  about: 'rig',
  finds: {
    'plugs-alike': { called: 'Plugs alike, unlike in what they carry', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const plugged = judged.owned.flatMap((item) => {
      const { plug } = item.placed.part.power ?? {};
      const meant = plug ? meantFor(judged, item) : null;
      return plug && meant !== null ? [{ item, family: plug.family, meant }] : [];
    });
    return plugged.flatMap((one, i): Raw[] => {
      const other = plugged.slice(0, i).find((o) => o.family === one.family && o.meant !== one.meant);
      if (!other) return [];
      const { placed, letter } = one.item;
      return [
        {
          ...aboutFitting(one.item),
          code: 'plugs-alike',
          says: say`The plugs of ${other.item.letter}, ${other.item.placed.part.name}, and ${letter}, ${placed.part.name}, mate and must not be changed over.`,
          because: say`One is for ${other.meant}, the other for ${one.meant}. Another family, a key, a colour, or a label on both halves.`,
        },
      ];
    });
  },
});

/** The cable of a screen, or one that carries what a transducer hears, lies beside the motor's. */
export const besideMotor = check({
  about: 'rig',
  finds: {
    'beside-motor': { called: 'Signal cable beside a motor cable', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const { runs, signals, network } = judged.wiring;
    const screens = new Set(network.loads.flatMap((l) => (l.of.of === 'electronics' ? [l.fitting] : [])));
    const motors = runs.filter((r) => r.motor);
    const heard = [...runs.filter((r) => !r.motor && r.feeds.some((f) => screens.has(f))), ...signals];
    return heard.flatMap((run): Raw[] => {
      const together = (m: (typeof motors)[number]): number => sideBySide(m, run);
      const beside = motors.find((m) => together(m) > BESIDE_MOTOR);
      if (!beside) return [];
      return [
        {
          ...aboutRun(judged, run),
          code: 'beside-motor',
          fixable: true,
          measure: over(together(beside), 'mm', BESIDE_MOTOR),
          says: say`The ${isSignal(run) ? 'signal cable' : 'cable'} to ${nameIn(judged, run.to)} lies ${mm(together(beside), 'up')} beside the motor’s.`,
          because: say`A screen shows the motor as noise (common practice, no source). Along the other side, or crossing it square.`,
          tries: otherLanes(judged, run.id, run.lane),
        },
      ];
    });
  },
});

/** The same cable along the other side, inside or outside as it was. */
function otherLanes({ plan }: Judged, id: string, lane: Run['lane']): Try[] {
  const from = entryOf(plan.runs, id);
  const other = otherLane(lane);
  return from && other
    ? [{ says: say`Lay it ${other}`, changes: [{ kind: 'routeRun', run: id, from, to: { ...from, lane: other } }] }]
    : [];
}
