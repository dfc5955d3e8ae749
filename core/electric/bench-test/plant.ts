import type { Wiring } from '../wiring';
import type { Fault } from './as-built';
import { faultKey, faultsOf } from './diagnose';

/** Kinds of faults that a trainer may plant. */
export const FAULTS = [
  'low battery',
  'poor crimp',
  'blown fuse',
  'corroded plug',
  'reversed pair',
  'wrong gauge',
  'swapped ways',
] as const satisfies readonly Fault['is'][];

/** The share of its circuit's volts that a bad contact takes, from the least that is planted to the most. */
const TAKES = { least: 0.05, most: 0.25 } as const;

/** A 12 V battery that is planted low stands so much under full, V. */
const DROPS = { least: 0.4, most: 0.8 } as const;

/**
 * A fault to find: one of the kind, or of any.
 * @param at which of those there could be, from 0 to 1
 * @param how how bad a contact is, from 0 to 1
 * @returns null when the circuit has nothing that could be wrong so
 */
export function plantFault(
  wiring: Pick<Wiring, 'network' | 'runs' | 'guards' | 'rules'>,
  kind: Fault['is'] | null,
  at: number,
  how: number,
): Fault | null {
  const all = faultsOf(wiring).filter((f) => kind === null || f.is === kind);
  // Each place is as likely as another, whatever its ohms.
  const keys = [...new Set(all.map(faultKey))];
  const key = keys[Math.min(keys.length - 1, Math.floor(at * keys.length))];
  const fault = all.find((f) => faultKey(f) === key);
  if (!fault) return null;
  if (fault.is === 'low battery') {
    const volts = wiring.network.batteries.find((b) => b.fitting === fault.fitting)?.of.volts ?? 12;
    return { ...fault, by: ((DROPS.least + (DROPS.most - DROPS.least) * how) * volts) / 12 };
  }
  if (fault.is === 'wrong gauge') return { ...fault, awg: 18 };
  if (fault.is !== 'poor crimp' && fault.is !== 'corroded plug') return fault;
  const amps = Math.max(0.1, wiring.runs.find((r) => r.id === fault.cable)?.amps ?? 0);
  return { ...fault, ohms: ((TAKES.least + (TAKES.most - TAKES.least) * how) * 12) / amps };
}
