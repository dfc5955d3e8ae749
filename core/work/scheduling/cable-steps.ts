import type { CableChecked } from '../../electric/bench-test';
import { isSignal, guardWords, type SignalRun, type WiredRun } from '../../electric/wiring';
import type { ShopSettings } from '../../parts/shop';
import { pullMinutes, terminateMinutes } from '../labor';
import { step, stepId, type Draft } from './step-work';

/** What steps of cables follow from. */
export interface Cabling {
  readonly cables: readonly (WiredRun | SignalRun)[];
  readonly letterOf: ReadonlyMap<string, string>;
  readonly labor: ShopSettings['labor'];
  readonly tests: readonly CableChecked[];
  /** What a cable waits for: the sealant it is drawn through, and no other. */
  readonly waits: (cable: WiredRun | SignalRun) => readonly string[];
}

const isSeen = ({ tests }: Cabling, id: string): boolean => tests.some((t) => t.run === id);

/** What must be done before a signal cable lies. */
const lies = ({ waits }: Cabling, run: SignalRun): readonly string[] => (run.there ? waits(run) : [stepId('pull', run.id)]);

/** A signal cable is pulled whole, and seen on the screen while the circuits of both its ends are tested. */
function signalSteps(cabling: Cabling, run: SignalRun, name: string): Draft[] {
  const { cables, labor, waits } = cabling;
  const fedBy = (fitting: string): string[] =>
    cables.filter((c) => !isSignal(c) && c.to === fitting).map((c) => stepId('test', c.id));
  const pulled = step(['pull', run.id], `Pull signal cable ${name}`, pullMinutes(run, labor), waits(run), {
    fitting: run.to,
    detail: `${run.family ?? 'Signal'}, ${run.lane}: not cut. Both plugs in, what is over coiled and tied up.`,
  });
  const needs = [...lies(cabling, run), ...fedBy(run.from), ...fedBy(run.to)];
  // No minutes of its own.
  const seen = step(['test', run.id], `See signal ${name} on the screen`, 0, needs, {
    fitting: run.to,
    detail: 'Switched on, and with the motor running.',
  });
  return [...(run.there ? [] : [pulled]), ...(isSeen(cabling, run.id) ? [seen] : [])];
}

/** A cable that feeds is pulled, ended and tested; an old one that lies as it lay is tested. */
function feedingSteps({ labor, waits }: Cabling, run: WiredRun, name: string): Draft[] {
  const pulled = step(['pull', run.id], `Pull wire ${name}`, pullMinutes(run, labor), waits(run), {
    fitting: run.to,
    detail: `${run.gauge}${run.conductors === 2 ? ' pair' : ''}, ${run.lane}.${run.given === 'aboard' ? ' The old one, pulled out first.' : ''}`,
  });
  const ended = step(['end', run.id], `Terminate ${name}`, terminateMinutes(run, labor), [pulled.id], {
    fitting: run.to,
    detail: guardWords(run),
  });
  const tested = step(['test', run.id], `Test circuit ${name}`, labor.circuitTestMinutes, run.there ? waits(run) : [ended.id], {
    fitting: run.to,
    detail: 'Polarity, alone and with all others, voltage at the load.',
  });
  return run.there ? [tested] : [pulled, ended, tested];
}

/** Every cable, one after the other. */
export const cableSteps = (cabling: Cabling): Draft[] =>
  cabling.cables.flatMap((run) => {
    const name = `${cabling.letterOf.get(run.from) ?? '?'} to ${cabling.letterOf.get(run.to) ?? '?'}`;
    return isSignal(run) ? signalSteps(cabling, run, name) : feedingSteps(cabling, run, name);
  });

/** The steps after which every cable lies and was tried. */
export const wiredBy = (cabling: Cabling): string[] =>
  cabling.cables.flatMap((c) => (isSignal(c) && !isSeen(cabling, c.id) ? lies(cabling, c) : [stepId('test', c.id)]));
