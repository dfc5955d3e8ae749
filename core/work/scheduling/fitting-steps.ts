import type { Fitted } from '../../holding/fitted';
import type { Placed } from '../../layout';
import type { ShopSettings } from '../../parts/shop';
import { takenOff } from '../../rig';
import { drillMinutes, fastenMinutes, isMadeHere, takeOffMinutes } from '../labor';
import { step, stepId, type Draft } from './step-work';

type Labor = ShopSettings['labor'];

const holesWord = (n: number): string => `${n} ${n === 1 ? 'hole' : 'holes'}`;
const called = ({ letter, placed }: Fitted): string => `${letter}, ${placed.part.name}`;

/** What is made at the bench is made before it is fitted. */
const made = ({ placed }: Fitted): string[] => (isMadeHere(placed) ? [stepId('make', placed.id)] : []);

/** What is taken off the boat, before anything is laid out. */
export const stripSteps = (off: readonly Placed[], labor: Labor): Draft[] =>
  off.map((p) =>
    step(['strip', p.id], `Take off: ${p.part.name}`, takeOffMinutes(p, labor), ['receive'], {
      fitting: p.id,
      detail: takenOff(p.fitting)
        ? 'Bag it with its fasteners and label it: it goes back to the owner.'
        : 'It goes on elsewhere.',
    }),
  );

/** What is made at the bench. */
export const makeSteps = (items: readonly Fitted[]): Draft[] =>
  items
    .filter((i) => isMadeHere(i.placed))
    .map((i) =>
      step(['make', i.placed.id], `Make ${called(i)}`, i.placed.part.made?.minutes ?? 0, [], {
        fitting: i.placed.id,
        detail: (i.placed.part.made?.of ?? []).map((m) => `${m.count} × ${m.what}`).join(', '),
      }),
    );

/** Holes, then what goes into them, then the sealant's time; none where nothing is drilled for. */
export function drillSteps(drilled: readonly Fitted[], { labor, cureHours }: Pick<ShopSettings, 'labor' | 'cureHours'>): Draft[] {
  if (drilled.length === 0) return [];
  const holes = drilled.map((i) =>
    step(['drill', i.placed.id], `Drill ${called(i)}`, drillMinutes(i.holes, labor), ['agree'], {
      fitting: i.placed.id,
      detail: `${holesWord(i.holes.length)}. Eye protection on. Know what is behind.`,
    }),
  );
  const fastened = drilled.map((i) => {
    const { fastener, count, plate } = i.mounted;
    const needs = [stepId('drill', i.placed.id), ...made(i)];
    return step(['fasten', i.placed.id], `Fasten and seal ${called(i)}`, fastenMinutes(i.mounted, i.holes, labor), needs, {
      fitting: i.placed.id,
      detail: fastener ? `${count} × ${fastener}${plate ? ', backing plate' : ''}.` : 'Its own nut and gasket.',
    });
  });
  const sealed = fastened.map((f) => f.id);
  return [...holes, ...fastened, step('cure', 'Let the sealant cure', 0, sealed, { cureHours, detail: 'No load, no water.' })];
}

/** What is set in place without a hole. */
export const fitSteps = (dry: readonly Fitted[], ready: readonly string[], labor: Labor): Draft[] =>
  dry.map((i) => {
    const { fastener, count } = i.mounted;
    const minutes = fastenMinutes(i.mounted, i.holes, labor);
    return step(['fit', i.placed.id], `Fit ${called(i)}`, minutes, [...ready, ...made(i)], {
      fitting: i.placed.id,
      detail: fastener ? `${count} × ${fastener}.` : 'Set in place, strapped.',
    });
  });
