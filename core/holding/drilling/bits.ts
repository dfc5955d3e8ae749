import type { Bit } from '../fitted';
import { MM_PER_INCH, type UnitSystem } from '../../base/units';

function fraction(sixtyFourths: number): string {
  let [n, d] = [sixtyFourths, 64];
  while (n % 2 === 0 && d > 1) [n, d] = [n / 2, d / 2];
  const whole = Math.floor(n / d);
  const rest = n % d;
  return [whole || '', rest ? `${rest}/${d}` : ''].filter(Boolean).join(' ');
}

/**
 * The bit for a clearance hole: inch shops drill the smallest 1/64 in bit not under the close
 * clearance, metric shops the smallest tenth of a millimetre not under it.
 *
 * @param least close clearance, mm
 */
export function bitFor(least: number, family: 'metric' | 'inch'): Bit {
  if (family === 'inch') {
    const n = Math.ceil((least / MM_PER_INCH) * 64 - 1e-6);
    return { mm: (n / 64) * MM_PER_INCH, name: fraction(n) };
  }
  const tenths = Math.ceil(least * 10 - 1e-6);
  return { mm: tenths / 10, name: `${(tenths / 10).toFixed(1)} mm` };
}

/** A bit or bore as a rigger calls it: a sixty-fourth when it is one, else thousandths; or tenths of a millimetre. */
export function printBit(mm: number, system: UnitSystem): string {
  if (system === 'metric') return `${(Math.round(mm * 10) / 10).toFixed(1)} mm`;
  const sixtyFourths = Math.round((mm / MM_PER_INCH) * 64);
  const near = Math.abs((sixtyFourths / 64) * MM_PER_INCH - mm) < 0.06;
  return near ? `${fraction(sixtyFourths)} in` : `${(mm / MM_PER_INCH).toFixed(3)} in`;
}
