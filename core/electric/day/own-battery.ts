import type { Fitted } from '../../holding/fitted';
import type { Day } from '../../rig';
import type { Wiring } from '../wiring';

/** What runs on a battery of its own, over a day. */
export interface OwnBatteryDay {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  /** It is to run so long, hours. */
  readonly wanted: number;
  /** It runs so long on its own battery. */
  readonly runs: number;
  /** Its card takes so long; null without one. */
  readonly card: number | null;
  /** What it wants besides its own battery, Wh; nought where that is enough. */
  readonly lacks: number;
  /** Whether it runs on from USB. */
  readonly usb: boolean;
}

/** What charges things by USB aboard, and what is asked of it. */
export interface UsbDay {
  /** From power banks, after what they lose, Wh. */
  readonly banks: number;
  /** Whether a socket that is fed charges them too. */
  readonly socket: boolean;
  readonly asked: number;
}

/** Of what a power bank holds so much comes out at its plug (makers' sheets, from memory). */
const BANK_GIVES = 0.85;

/** Hours that a card takes: gigabytes of eight thousand megabits, at so many megabits a second. */
export const cardHours = ({ gigabytes, megabits }: { readonly gigabytes: number; readonly megabits: number }): number =>
  (gigabytes * 8000) / megabits / 3600;

/** How long what runs on a battery of its own runs, and what it takes from USB. */
export function ownBatteries(
  day: Pick<Day, 'legs' | 'duty'>,
  owned: readonly Fitted[],
  { flows }: Pick<Wiring, 'flows'>,
): { readonly own: readonly OwnBatteryDay[]; readonly usb: UsbDay } {
  const hours = day.legs.reduce((sum, l) => sum + l.minutes, 0) / 60;
  const own = owned.flatMap(({ placed: { id, part }, letter }): OwnBatteryDay[] => {
    const has = part.power?.own;
    if (!has) return [];
    const wanted = hours * (day.duty[id] ?? 1);
    return [
      {
        ...{ fitting: id, letter, name: part.name, wanted, runs: has.wattHours / has.watts, usb: has.usb ?? false },
        card: has.card ? cardHours(has.card) : null,
        lacks: Math.max(0, wanted * has.watts - has.wattHours),
      },
    ];
  });
  return {
    own,
    usb: {
      banks: owned.reduce((sum, i) => sum + BANK_GIVES * (i.placed.part.power?.bank?.wattHours ?? 0), 0),
      socket: owned.some((i) => i.placed.part.power?.draw?.usb && flows.some((f) => !f.charging && f.fitting === i.placed.id)),
      asked: own.reduce((sum, o) => sum + (o.usb ? o.lacks : 0), 0),
    },
  };
}
