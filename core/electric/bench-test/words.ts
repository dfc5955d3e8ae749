import { gaugeWords } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import { say, type Sentence } from '../../base/units';
import { labelled, type Wiring } from '../wiring';
import type { Fault } from './as-built';
import type { MeterReading } from './readings';

/** How a reading is told. */
export const READ_WORDS: Readonly<Record<MeterReading['reads'], string>> = {
  'at the post': 'at its posts, everything off',
  'at rest': 'with its switch on and nothing drawing',
  alone: 'alone',
  'all on': 'with everything on',
  pulled: 'with the lanyard pulled',
  'at its box': 'where its cable begins, everything on',
  'along the out': 'lost along the conductor that goes out, everything on',
  'along the back': 'lost along the conductor that comes back, everything on',
  'over the fuse': 'lost over the fuse, everything on',
};

/** Where the two tips of the meter go, in the letters of the boat view. */
export function tipsOf({ plus, minus }: Pick<MeterReading, 'plus' | 'minus'>, owned: readonly Fitted[]): Sentence {
  const at = (terminal: string): string => {
    if (terminal.endsWith('behind its fuse')) return 'behind the fuse';
    const cut = terminal.lastIndexOf(' ');
    const [fitting, pole] = [terminal.slice(0, cut), terminal.slice(cut + 1)];
    const letter = owned.find((i) => i.placed.id === fitting)?.letter ?? '?';
    return `${letter} ${pole === '-' ? '−' : pole === '+' ? '+' : `way ${pole}`}`;
  };
  return say`red on ${at(plus)}, black on ${at(minus)}`;
}

/** What a reading is about: the load, or the cable by its label. */
export function aboutWords(
  { about }: Pick<MeterReading, 'about'>,
  wiring: Pick<Wiring, 'runs'>,
  owned: readonly Fitted[],
): string {
  const item = owned.find((i) => i.placed.id === about);
  return item
    ? `${item.letter} ${item.placed.part.name}`
    : `cable ${labelled(wiring.runs, owned).find((c) => c.run.id === about)?.label ?? about}`;
}

/** Who read it, and whether they read it off the simulated meter. */
export const readBy = ({ by, simulated }: { readonly by: string; readonly simulated: boolean }): string =>
  simulated ? `${by}, simulated meter` : by;

/** A fault in words, with where it is. */
export function faultWords(
  fault: Fault | null,
  wiring: Pick<Wiring, 'runs' | 'guards' | 'rules'>,
  owned: readonly Fitted[],
): Sentence {
  if (!fault) return say`Nothing wrong`;
  const label = (cable: string): string => labelled(wiring.runs, owned).find((c) => c.run.id === cable)?.label ?? cable;
  switch (fault.is) {
    case 'poor crimp':
      return say`Poor crimp in the ${fault.out ? 'plus' : 'minus'} of ${label(fault.cable)}`;
    case 'corroded plug':
      return say`Corroded plug in ${label(fault.cable)}`;
    case 'reversed pair':
      return say`Plus and minus changed over in ${label(fault.cable)}`;
    case 'wrong gauge':
      return say`${label(fault.cable)} is ${gaugeWords(fault.awg, wiring.rules.series)}, thinner than planned`;
    case 'swapped ways':
      return say`Ways ${fault.ways[0]} and ${fault.ways[1]} changed over`;
    case 'low battery': {
      const item = owned.find((i) => i.placed.id === fault.fitting);
      return say`Nothing wrong but the battery: ${item?.letter ?? ''}, ${item?.placed.part.name ?? fault.fitting}, is ${fault.by.toFixed(1)} V under full`;
    }
    case 'blown fuse': {
      const guard = wiring.guards.find((g) => g.edge === fault.edge);
      return guard?.cable ? say`Blown fuse of ${label(guard.cable)}` : say`Blown fuse of way ${guard?.way ?? '?'}`;
    }
    default:
      return [];
  }
}
