import { mm, say } from '../units';
import { FUSE_WITHIN } from '../wiring';
import type { Bench, Judgement, Raw } from './finding';

function aboutRun(bench: Bench, id: string): Pick<Raw, 'where' | 'letter' | 'x' | 'step' | 'curable'> {
  const run = bench.runs.find((r) => r.id === id);
  const load = bench.items.find((i) => i.placed.id === run?.to);
  return {
    where: id,
    letter: load?.letter ?? '',
    x: load?.placed.frame.origin.x ?? 0,
    step: 'wire',
    curable: false,
  };
}

const name = (bench: Bench, fitting: string): string =>
  bench.items.find((i) => i.placed.id === fitting)?.placed.part.name ?? fitting;

/** A gauge too thin for its heat or its drop. */
export const thinWire: Judgement = (bench) =>
  bench.runs.flatMap((run): Raw[] => {
    if (!run.tooThin) return [];
    const heat = run.tooThin === 'heat';
    return [
      {
        ...aboutRun(bench, run.id),
        code: heat ? 'wire-overheats' : 'thin-wire',
        severity: 'stop',
        says:
          run.awg === null
            ? say`No gauge in the table carries ${run.amps} A to ${name(bench, run.to)} over this length.`
            : heat
              ? say`${run.awg} AWG is too thin for ${run.amps} A in this bundle; ${run.choice.byHeat ?? '–'} AWG carries it.`
              : say`${run.awg} AWG loses ${run.dropPercent.toFixed(1)} % on the way to ${name(bench, run.to)}; ${run.allowedPercent} % allowed.`,
        because: say`By ${run.choice.sources[0]?.title ?? 'the shop'}; the chosen gauge is ${run.choice.awg ?? 'none'} AWG.`,
      },
    ];
  });

/** No protection that both carries the load and guards the wire. Nobody may accept that. */
export const noFuse: Judgement = (bench) =>
  bench.runs
    .filter((run) => run.fuse.rating === null && run.tooThin !== 'heat')
    .map((run): Raw => ({
      ...aboutRun(bench, run.id),
      code: 'no-fuse',
      severity: 'stop',
      says: say`No fuse sold both carries ${run.amps} A and guards ${run.awg ?? '–'} AWG.`,
      because: say`Protection stands between load and ampacity, within ${mm(FUSE_WITHIN)} of the battery. A thicker wire takes a larger fuse.`,
    }));

/** A run that does not start at a battery, or at one of another voltage. */
export const wrongSource: Judgement = (bench) =>
  bench.runs.flatMap((run): Raw[] => {
    if (!run.needsBattery && !run.voltsDiffer) return [];
    return [
      {
        ...aboutRun(bench, run.id),
        code: 'wrong-source',
        severity: 'stop',
        says: run.needsBattery
          ? say`${name(bench, run.from)} is not a battery: it cannot feed ${name(bench, run.to)}.`
          : say`${name(bench, run.to)} wants ${run.volts} V; ${name(bench, run.from)} gives another voltage.`,
        because: say`Route the run from a battery of ${run.volts} V.`,
      },
    ];
  });

/** A fitting that draws current and has no feed. */
export const notFed: Judgement = (bench) =>
  bench.items
    .filter((i) => i.placed.part.draw && !bench.runs.some((r) => r.to === i.placed.id))
    .map((i): Raw => ({
      where: i.placed.id,
      letter: i.letter,
      x: i.placed.frame.origin.x,
      step: 'wire',
      code: 'not-fed',
      severity: 'look',
      curable: false,
      says: say`${i.placed.part.name} has no feed yet.`,
      because: say`It draws ${i.placed.part.draw?.amps ?? 0} A at ${i.placed.part.draw?.volts ?? 0} V. Route a run from a battery.`,
    }));
