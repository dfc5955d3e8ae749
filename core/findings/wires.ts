import { mm, say } from '../units';
import { FUSE_WITHIN } from '../wiring';
import type { Judged, Judgement, Raw } from './finding';

function aboutRun(judged: Judged, id: string): Pick<Raw, 'where' | 'letter' | 'x' | 'step' | 'curable'> {
  const run = judged.runs.find((r) => r.id === id);
  const load = judged.items.find((i) => i.placed.id === run?.to);
  return {
    where: id,
    letter: load?.letter ?? '',
    x: load?.placed.frame.origin.x ?? 0,
    step: 'wire',
    curable: false,
  };
}

const name = (judged: Judged, fitting: string): string =>
  judged.items.find((i) => i.placed.id === fitting)?.placed.part.name ?? fitting;

/** A gauge too thin for its heat or its drop. */
export const thinWire: Judgement = (judged) =>
  judged.runs.flatMap((run): Raw[] => {
    if (!run.tooThin) return [];
    const heat = run.tooThin === 'heat';
    return [
      {
        ...aboutRun(judged, run.id),
        code: heat ? 'wire-overheats' : 'thin-wire',
        severity: 'stop',
        says:
          run.awg === null
            ? say`No gauge in the table carries ${run.amps} A to ${name(judged, run.to)} over this length.`
            : heat
              ? say`${run.awg} AWG is too thin for ${run.amps} A in this bundle; ${run.choice.byHeat ?? '–'} AWG carries it.`
              : say`${run.awg} AWG loses ${run.dropPercent.toFixed(1)} % on the way to ${name(judged, run.to)}; ${run.allowedPercent} % allowed.`,
        because: say`By ${run.choice.sources[0]?.title ?? 'the shop'}; the chosen gauge is ${run.choice.awg ?? 'none'} AWG.`,
      },
    ];
  });

/** No protection that both carries the load and guards the wire. Nobody may accept that. */
export const noFuse: Judgement = (judged) =>
  judged.runs
    .filter((run) => run.fuse.rating === null && run.tooThin !== 'heat')
    .map((run): Raw => ({
      ...aboutRun(judged, run.id),
      code: 'no-fuse',
      severity: 'stop',
      says: say`No fuse sold both carries ${run.amps} A and guards ${run.awg ?? '–'} AWG.`,
      because: say`Protection stands between load and ampacity, within ${mm(FUSE_WITHIN)} of the battery. A thicker wire takes a larger fuse.`,
    }));

/** A run that does not start at a battery, or at one of another voltage. */
export const wrongSource: Judgement = (judged) =>
  judged.runs.flatMap((run): Raw[] => {
    if (!run.needsBattery && !run.voltsDiffer) return [];
    return [
      {
        ...aboutRun(judged, run.id),
        code: 'wrong-source',
        severity: 'stop',
        says: run.needsBattery
          ? say`${name(judged, run.from)} is not a battery: it cannot feed ${name(judged, run.to)}.`
          : say`${name(judged, run.to)} wants ${run.volts} V; ${name(judged, run.from)} gives another voltage.`,
        because: say`Route the run from a battery of ${run.volts} V.`,
      },
    ];
  });

/** A fitting that draws current and has no feed. */
export const notFed: Judgement = (judged) =>
  judged.items
    .filter((i) => i.placed.part.power?.draw && !judged.runs.some((r) => r.to === i.placed.id))
    .map((i): Raw => ({
      where: i.placed.id,
      letter: i.letter,
      x: i.placed.frame.origin.x,
      step: 'wire',
      code: 'not-fed',
      severity: 'look',
      curable: false,
      says: say`${i.placed.part.name} has no feed yet.`,
      because: say`It draws ${i.placed.part.power?.draw?.amps ?? 0} A at ${i.placed.part.power?.draw?.volts ?? 0} V. Route a run from a battery.`,
    }));
