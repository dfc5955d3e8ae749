import { nominalVolts, printAmps } from '../../electric/circuits';
import { say, over } from '../../base/units';
import { comesOff } from '../../layout';
import { check } from './check';
import type { Raw } from './finding';
import { aboutFitting, nameIn } from './wires';

/** A battery that stays aboard is charged where it stands. */
export const chargedAboard = check({
  about: 'rig',
  finds: {
    'battery-uncharged': { called: 'No way to charge a battery', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const { network, flows } = judged.wiring;
    return network.batteries.flatMap((b): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === b.fitting);
      if (!item || comesOff(item.placed)) return [];
      if (flows.some((f) => f.charging && (f.shares.get(b.fitting) ?? 0) !== 0)) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'battery-uncharged',
          says: say`${item.placed.part.name} stays aboard and no charge port goes to it.`,
          because: say`Charged where it stands it is never carried, but nobody opens a hatch for it each night: a port outside, with a cap and a label.`,
        },
      ];
    });
  },
});

/** What charges a battery, or a row of them, is made for its volts. */
export const chargedAt = check({
  about: 'rig',
  finds: {
    'charger-volts': { called: 'Charger of other volts', severity: 'stop', acceptedBy: 'nobody', since: 13 },
  },
  judge: (judged) =>
    judged.wiring.flows.flatMap((f): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === f.fitting);
      const volts = f.charging ? item?.placed.part.power?.charges?.volts : undefined;
      if (!item || volts === undefined || f.volts === nominalVolts(volts)) return [];
      const across = judged.wiring.network.batteries.filter((b) => (f.shares.get(b.fitting) ?? 0) !== 0);
      return [
        {
          ...aboutFitting(item),
          ...{ code: 'charger-volts' },
          measure: over(Math.abs(f.volts - nominalVolts(volts)), 'V'),
          says: say`${item.placed.part.name} charges ${nominalVolts(volts)} V; it is wired to ${f.volts} V.`,
          because:
            across.length > 1
              ? say`It lies across ${across.length} batteries in a row: one charger of ${f.volts} V, or one for each of them.`
              : say`Too few volts put nothing in, too many ruin the battery. A charger of ${f.volts} V.`,
        },
      ];
    }),
});

/** What charges a battery is made for its kind, and charges it no faster than it takes. */
export const chargedRight = check({
  about: 'rig',
  finds: {
    'charger-unlike': { called: 'Charger of another chemistry', severity: 'stop', acceptedBy: 'nobody', since: 12 },
    'charged-too-fast': { called: 'Charged too fast', severity: 'stop', acceptedBy: 'manager', since: 12 },
  },
  judge: (judged) => {
    const { network, flows } = judged.wiring;
    return network.batteries.flatMap((b): Raw[] =>
      flows
        .filter((f) => f.charging && (f.shares.get(b.fitting) ?? 0) !== 0)
        .flatMap((f): Raw[] => {
          const item = judged.owned.find((i) => i.placed.id === f.fitting);
          const charges = item?.placed.part.power?.charges;
          if (!item || !charges) return [];
          const { suits, amps } = charges;
          const { chemistry, takes } = b.of;
          const unlike = suits !== undefined && suits !== chemistry;
          const through = amps * Math.abs(f.shares.get(b.fitting) ?? 0);
          const fast = takes !== undefined && through > takes + 1e-9;
          const found = (
            code: 'charger-unlike' | 'charged-too-fast',
            says: Raw['says'],
            because: Raw['because'],
            measure: Raw['measure'] = null,
          ): Raw => ({
            ...aboutFitting(item),
            ...{ code, severity: 'stop', measure, says, because },
          });
          return [
            ...(unlike
              ? [
                  found(
                    'charger-unlike',
                    say`${item.placed.part.name} charges ${suits}; ${nameIn(judged, b.fitting)} is ${chemistry}.`,
                    say`Each kind ends at other volts: charged wrong it is never full, or it is ruined, and lead gasses. A charger for ${chemistry}.`,
                  ),
                ]
              : []),
            ...(fast
              ? [
                  found(
                    'charged-too-fast',
                    say`${printAmps(through)} A come in through ${item.placed.part.name}; ${nameIn(judged, b.fitting)} takes ${printAmps(takes ?? 0)} A.`,
                    say`Its own protection switches it off, or it is worn by it. A smaller charger, or a larger battery.`,
                    over(through, 'A', takes),
                  ),
                ]
              : []),
          ];
        }),
    );
  },
});
