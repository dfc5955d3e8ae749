import type { Fitted } from '../../holding/fitted';
import { fingerprint, type Ledger } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Memory } from '../../base/stages';
import { labelled, type Wiring } from '../wiring';
import { circuitPrint, type CableChecked } from './tests';

/** What is looked at or rung through on the bench, besides volts. */
export type CheckKind = 'rung through' | 'no short' | 'turns both ways' | 'seen all round' | 'burns' | 'shown';

/** How each is done. */
export const CHECK_WORDS: Readonly<Record<CheckKind, string>> = {
  'rung through': 'battery off: each conductor rings through from end to end, under an ohm',
  'no short': 'battery off, loads unplugged: over a megohm from plus to minus',
  'turns both ways': 'runs ahead and astern by its control, propeller clear; the lanyard stops it',
  'seen all round': 'in the dark, walked round: seen from every side it is to be seen from',
  burns: 'switched by itself, it burns and nothing else goes with it',
  shown: 'switched on, the screen shows what comes over it, and goes on showing it while the motor runs',
};

/** One check of the bench test, with whether it was right. */
export interface BenchCheck extends CableChecked {
  readonly id: string;
  readonly is: CheckKind;
  /** The fitting, or the cable by its label. */
  readonly about: string;
  /** What it is checked on, as a fingerprint: it counts while that stays. */
  readonly circuit: string;
}

/** What the checks follow from. */
export interface ChecksInput {
  readonly wiring: Wiring;
  readonly owned: readonly Fitted[];
  readonly ledger: Pick<Ledger, 'circuitChecks'>;
  readonly shop: ShopSettings;
}

/** Signal cables as far as a screen can tell. */
const signalPrint = (signals: Wiring['signals']): string =>
  fingerprint(signals.map(({ id, from, to, family, cut }) => [id, from, to, family, Math.round(cut)]));

/** Everything that is rung through, run or looked at: each cable, then each motor, light and signal; none where the shop asks none. */
export function benchChecks({ wiring, owned, ledger: { circuitChecks }, shop }: ChecksInput, memory: Memory): BenchCheck[] {
  if (!shop.wiring.checks) return [];
  const prints = memory.last('print', [wiring], () => ({
    circuit: circuitPrint(wiring),
    signals: signalPrint(wiring.signals),
  }));
  const check = (is: CheckKind, of: string, run: string, about: string): BenchCheck => {
    const id = `${is} ${of}`;
    const circuit = is === 'shown' ? prints.signals : prints.circuit;
    const fact = circuitChecks.get(id);
    const fresh = fact?.circuit === circuit ? fact : undefined;
    return {
      ...{ id, is, run, about, circuit },
      read: fresh ? { by: fresh.by, when: fresh.serverTime, device: fresh.deviceTime, ok: fresh.ok } : null,
    };
  };
  const cables = labelled(wiring.runs, owned).flatMap(({ run, label }) => [
    check('rung through', run.id, run.id, `cable ${label}`),
    // A cable with one conductor has nothing to be short to.
    ...(run.conductors === 2 ? [check('no short', run.id, run.id, `cable ${label}`)] : []),
  ]);
  const loads = wiring.network.loads.flatMap(({ fitting, of }): BenchCheck[] => {
    const run = wiring.runs.find((r) => r.to === fitting)?.id;
    const item = owned.find((i) => i.placed.id === fitting);
    if (run === undefined || !item) return [];
    const about = `${item.letter} ${item.placed.part.name}`;
    if (of.of === 'motor') return [check('turns both ways', fitting, run, about)];
    if (of.of !== 'lights') return [];
    const shown = item.placed.part.light !== undefined && item.placed.part.light.shows !== 'dim';
    return [check(shown ? 'seen all round' : 'burns', fitting, run, about)];
  });
  const signals = labelled(wiring.signals, owned).map(({ run, label }) => check('shown', run.id, run.id, `signal ${label}`));
  return [...cables, ...loads, ...signals];
}

/** The words of a check in a key. */
export const checkDetail = ({ id }: Pick<BenchCheck, 'id'>): string => id.replace(/\W+/g, '-');
