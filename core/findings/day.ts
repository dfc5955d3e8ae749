import { kmh, printClock, say } from '../units';
import type { Judgement, Raw } from './finding';

/** A battery lasts the day that was planned, with what is kept back for the way home. */
export const lastsTheDay: Judgement = ({ day, owned }) =>
  day === null
    ? []
    : day.batteries.flatMap(({ fitting, letter, name, reserve, touched }): Raw[] => {
        const [at, likely] = touched.likely !== null ? [touched.likely, true] : [touched.hard, false];
        if (at === null) return [];
        return [
          {
            ...{ where: fitting, letter, step: 'wire', curable: false, code: 'day-too-long' },
            x: owned.find((i) => i.placed.id === fitting)?.placed.frame.origin.x ?? 0,
            severity: likely ? 'stop' : 'look',
            says: say`${name} is down to its last ${Math.round(100 * reserve)} % at ${printClock(day.day.starts + at)}${likely ? '' : ', if wind and load are hard on it'}.`,
            because: say`The day as it is planned takes more than it should give. A slower speed, a shorter day, a larger battery, or one beside it. An estimate: readings of this motor on this boat narrow it.`,
          },
        ];
      });

/** A leg of the day goes faster than the motors push. */
export const legsReached: Judgement = ({ day, hull }) =>
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
              curable: false,
              code: 'leg-too-fast',
              detail: String(i + 1),
            },
            severity: 'look',
            says: say`Leg ${i + 1} of the day asks for more than full thrust${does === 'motor' ? say` at ${kmh(over)}` : ''}.`,
            because: say`By the hull’s resistance, an honestly wide estimate: slower, or with the stream.`,
          },
        ];
      });
