import type { Fitted } from '../../holding/fitted';
import type { Run } from '../../rig';
import { say, type Sentence } from '../../base/units';
import { idOf, isChargedBy, nameOf, nearest, xOf } from './asked-of';

/** What charges which battery, with why, and what is lacking. */
export interface ProposedPorts {
  readonly chargers: readonly { readonly battery: Fitted; readonly by: Fitted; readonly why: Sentence }[];
  readonly wants: readonly Sentence[];
}

const chargesOf = (item: Fitted) => item.placed.part.power?.charges;
const isPort = (item: Fitted): boolean => chargesOf(item) !== undefined && chargesOf(item)?.from === undefined;

/**
 * A port to each battery that has none, the largest first, the nearest port; then what charges by car and sun.
 * @param batteries the largest first
 * @param kept the rigger's own runs: what they join stays
 */
export function proposePorts(
  owned: readonly Fitted[],
  batteries: readonly Fitted[],
  kept: readonly Run[],
  rows: readonly (readonly Fitted[])[] = [],
): ProposedPorts {
  const free = owned.filter((i) => chargesOf(i) && !kept.some((r) => r.to === idOf(i)));
  const ports = free.filter(isPort);
  const charged = new Set(kept.filter((r) => owned.some((i) => idOf(i) === r.to && isPort(i))).map((r) => r.from));
  const chargers: { battery: Fitted; by: Fitted; why: Sentence }[] = [];
  const wants: Sentence[] = [];
  for (const battery of batteries) {
    if (charged.has(idOf(battery))) continue;
    // Batteries in a row are each charged by one of their own, or none of them is.
    const row = rows.find((r) => r.includes(battery));
    if (
      row &&
      !row.every((b) => chargers.some((c) => c.battery === b)) &&
      ports.filter((p) => isChargedBy(battery, p)).length < row.filter((b) => !chargers.some((c) => c.battery === b)).length
    ) {
      if (row[0] === battery)
        wants.push(say`A charge port for each of the ${row.length} batteries in a row, or a charger for all of them.`);
      continue;
    }
    const suits = ports.filter((p) => isChargedBy(battery, p));
    const by = nearest(xOf(battery), suits, xOf);
    if (!by) continue;
    ports.splice(ports.indexOf(by), 1);
    chargers.push({ battery, by, why: say`${nameOf(battery)} is charged through it without coming off.` });
  }
  for (const by of free.filter((i) => !isPort(i))) {
    const battery = batteries.find((b) => isChargedBy(b, by) && !rows.some((r) => r.includes(b)));
    const when = chargesOf(by)?.from === 'tow' ? 'on the road' : 'by the sun';
    if (battery) chargers.push({ battery, by, why: say`${nameOf(battery)}, the largest it suits, is charged by it ${when}.` });
    else wants.push(say`A battery that ${nameOf(by)} may charge.`);
  }
  return { chargers, wants };
}
