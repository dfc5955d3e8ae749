/** Money is integer cents; rounding happens once, half away from zero. */
export const roundCents = (cents: number): number => Math.sign(cents) * Math.floor(Math.abs(cents) + 0.5 + 1e-9);

/** Prints cents as `1,234.50`. */
export function printMoney(cents: number): string {
  const [units = '0', rest = '00'] = (Math.abs(cents) / 100).toFixed(2).split('.');
  const grouped = Number(units).toLocaleString('en-US');
  return `${cents < 0 ? '−' : ''}${grouped}.${rest}`;
}
