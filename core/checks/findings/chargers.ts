import { fuseWithin, GUARD_AT, nominalVolts, printAmps, standardWords } from '../../electric/circuits';
import { entryOf } from '../../rig';
import { mm, over, say } from '../../base/units';
import { check } from './check';
import type { Raw } from './finding';
import { aboutFitting, aboutRun, leftOpen, nameIn, percentUp } from './wires';

/** A charger is a source too: its end of the cable is protected, unless its output limits itself and the cable carries that. */
export const chargerEnds = check({
  about: 'rig',
  finds: {
    'charger-unguarded': { called: 'Charger end without a fuse', severity: ['look', 'stop'], acceptedBy: 'manager', since: 14 },
  },
  judge: (judged) =>
    judged.wiring.runs.flatMap((run): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === run.to);
      const charges = item?.placed.part.power?.charges;
      const own = entryOf(judged.plan.runs, run.id);
      if (!item || !charges || (typeof own?.guard === 'object' && own.guard.bothEnds)) return [];
      // A panel gives no more than the sun.
      const limits = charges.limits ?? charges.from === 'sun';
      if (limits && run.size.ampacity >= charges.amps) return [];
      const { standard } = judged.wiring.rules;
      const guard = typeof own?.guard === 'object' ? own.guard : { is: null, amps: null, along: run.guard?.along ?? GUARD_AT };
      return [
        {
          ...aboutRun(judged, run),
          code: 'charger-unguarded',
          // What a charger does when its end is shorted, its maker knows.
          severity: limits ? 'stop' : 'look',
          measure: limits ? over(charges.amps, 'A', run.size.ampacity) : null,
          fixable: own !== undefined,
          says: limits
            ? say`${item.placed.part.name} gives ${printAmps(charges.amps)} A; the ${run.gauge} to it carries ${Math.floor(run.size.ampacity)} A.`
            : say`Nothing protects the cable at ${item.placed.part.name}, and nobody has said that what comes in there limits itself.`,
          because: say`A charger is a source: protected within ${mm(fuseWithin(standard), 'down')} of it too (${standardWords(standard)}), unless its output limits itself to what the cable carries.`,
          tries: own
            ? [
                {
                  says: say`Another ${guard.is ?? 'fuse'} at its end`,
                  changes: [{ kind: 'routeRun', run: run.id, from: own, to: { ...own, guard: { ...guard, bothEnds: true } } }],
                },
                ...leftOpen(judged, run.id, ['awg']),
              ]
            : [],
        },
      ];
    }),
});

/** What a charge cable loses at the charger's current: the charger sees a fuller battery than there is, and takes longer. */
export const chargeDrop = check({
  about: 'rig',
  finds: {
    'charge-drop': { called: 'Charging cable drops too many volts', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    judged.wiring.flows.flatMap((f): Raw[] => {
      const drop = f.charging ? judged.wiring.drops.get(f.fitting) : undefined;
      const run = judged.wiring.runs.find((r) => r.to === f.fitting);
      if (!drop || !run || drop.percent <= drop.allowedPercent + 1e-6) return [];
      const full = nominalVolts(f.volts) * 1.2;
      return [
        {
          ...aboutRun(judged, run),
          code: 'charge-drop',
          fixable: true,
          measure: over(drop.percent, '%', drop.allowedPercent),
          says: say`The cable to ${nameIn(judged, f.fitting)} loses ${percentUp(drop.percent)} % at ${printAmps(f.asked.steady)} A; ${drop.allowedPercent.toFixed(0)} % allowed.`,
          because: say`Its charger sees ${drop.volts.toFixed(2)} V more than the battery has, ends its full current that much before ${full.toFixed(1)} V, and takes longer. A thicker wire or a shorter way.`,
          tries: judged.wiring.runs
            .filter((r) => r.id === run.id || r.feeds.includes(f.fitting))
            .flatMap((r) => leftOpen(judged, r.id, ['awg'])),
        },
      ];
    }),
});

/** The sun puts nothing into lithium that is frozen: its own protection keeps it out, or it is ruined. */
export const frozenSun = check({
  about: 'rig',
  finds: {
    'frozen-sun': { called: 'Charged by the sun while frozen', severity: 'look', since: 14 },
  },
  judge: (judged) => {
    const { day, wiring } = judged;
    if (!day?.day.cold) return [];
    return wiring.network.batteries.flatMap((b): Raw[] => {
      if (b.of.chemistry !== 'lithium') return [];
      const panel = wiring.flows.find((f) => {
        const charges = judged.owned.find((i) => i.placed.id === f.fitting)?.placed.part.power?.charges;
        return f.charging && charges?.from === 'sun' && (f.shares.get(b.fitting) ?? 0) !== 0;
      });
      const item = panel && judged.owned.find((i) => i.placed.id === panel.fitting);
      if (!item) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'frozen-sun',
          says: say`${item.placed.part.name} puts nothing into ${nameIn(judged, b.fitting)} in the frost.`,
          because: say`Lithium is not charged at or under the freezing point: its own protection keeps it out, and where it has none it is ruined (makers’ sheets, from memory). The day is worked out without the sun.`,
        },
      ];
    });
  },
});
