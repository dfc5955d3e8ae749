import { kmh, printClock, say, under } from '../../base/units';
import { aboutFitting } from './wires';
import { check } from './check';
import type { Judged, Raw } from './finding';

/** A battery lasts the day that was planned, with what is kept back for the way home. */
export const lastsTheDay = check({
  about: 'rig',
  finds: {
    'day-too-long': { called: 'Battery short for the day', severity: ['look', 'stop'], decides: 'the owner', since: 10 },
  },
  judge: ({ day, owned }) =>
    day === null
      ? []
      : day.batteries.flatMap(({ fitting, letter, name, reserve, touched }): Raw[] => {
          const [at, likely] = touched.likely !== null ? [touched.likely, true] : [touched.hard, false];
          if (at === null) return [];
          return [
            {
              ...{ where: fitting, letter, step: 'wire', fixable: false, code: 'day-too-long' },
              x: owned.find((i) => i.placed.id === fitting)?.placed.frame.origin.x ?? 0,
              severity: likely ? 'stop' : 'look',
              measure: under(at, 'h'),
              says: say`${name} is down to its last ${Math.round(100 * reserve)} % at ${printClock(day.day.starts + at)}${likely ? '' : ', if wind and load are hard on it'}.`,
              because: say`The day as it is planned takes more than it should give. A slower speed, a shorter day, a larger battery, or one beside it. An estimate: readings of this motor on this boat narrow it.`,
            },
          ];
        }),
});

/** A leg of the day goes faster than the motors push. */
export const legsReached = check({
  about: 'rig',
  finds: {
    'leg-too-fast': { called: 'Leg of the day too fast', severity: 'look', decides: 'the owner', since: 10 },
  },
  judge: ({ day, hull }) =>
    day === null
      ? []
      : day.legs.flatMap((leg, i): Raw[] => {
          const { kmh: over = 0, does } = day.day.legs[i] ?? {};
          if (leg.reached || (does !== 'motor' && does !== 'held by motor')) return [];
          return [
            {
              ...{
                where: 'hull',
                letter: '',
                x: hull.length / 2,
                step: 'wire',
                fixable: false,
                code: 'leg-too-fast',
                detail: String(i + 1),
              },
              says: say`Leg ${i + 1} of the day asks for more than full thrust${does === 'motor' ? say` at ${kmh(over)}` : ''}.`,
              because: say`By the hull’s resistance, an honestly wide estimate: slower, or with the stream.`,
            },
          ];
        }),
});

const hoursWord = (hours: number): string => `${(Math.floor(10 * hours) / 10).toFixed(1)} h`;

/** Where a thing aboard stands, for a finding about it. */
const aboutOwn = ({ owned }: Judged, fitting: string): Omit<Raw, 'code' | 'severity' | 'says' | 'because'>[] => {
  const item = owned.find((i) => i.placed.id === fitting);
  return item ? [{ ...aboutFitting(item), fixable: false }] : [];
};

/** What runs on a battery of its own lasts the day that was planned, by itself or from USB. */
export const ownBatteryLasts = check({
  about: 'rig',
  finds: {
    'own-battery-short': { called: 'Own battery short for the day', severity: 'look', decides: 'the owner', since: 12 },
  },
  judge: (judged) => {
    const { day } = judged;
    if (day === null) return [];
    const covered = day.usb.socket || day.usb.banks >= day.usb.asked;
    return day.own.flatMap((own): Raw[] => {
      if (own.lacks <= 0 || (own.usb && covered)) return [];
      return aboutOwn(judged, own.fitting).map((about) => ({
        ...about,
        code: 'own-battery-short',
        measure: under(own.runs, 'h', own.wanted),
        says: say`${own.name} runs ${hoursWord(own.runs)} on its own battery; the day wants ${hoursWord(own.wanted)} of it.`,
        because: own.usb
          ? say`It lacks ${Math.ceil(own.lacks)} Wh, ${Math.ceil(day.usb.asked)} Wh with everything charged from USB; the power banks aboard give ${Math.floor(day.usb.banks)} Wh. A power bank, a fed USB socket, or less of it.`
          : say`It takes no charge while it runs: spare batteries, or less of it.`,
      }));
    });
  },
});

/** A card takes what the day that was planned writes. */
export const cardLasts = check({
  about: 'rig',
  finds: {
    'card-full': { called: 'Card full before the day is over', severity: 'look', decides: 'the owner', since: 12 },
  },
  judge: (judged) =>
    (judged.day?.own ?? []).flatMap((own): Raw[] => {
      if (own.card === null || own.card >= own.wanted) return [];
      const { card } = own;
      return aboutOwn(judged, own.fitting).map((about) => ({
        ...about,
        code: 'card-full',
        measure: under(card, 'h', own.wanted),
        says: say`The card of ${own.name} is full after ${hoursWord(card)}; the day wants ${hoursWord(own.wanted)}.`,
        because: say`By what it writes a second. A larger card, a second one in a dry pocket, or shorter takes.`,
      }));
    }),
});
