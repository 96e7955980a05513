/**
 * Cents as money in words: 16400 → "164.00", with a thin space between thousands.
 *
 * @param cents  integer cents, may be negative
 * @throws RangeError when cents is no integer
 */
export function money(cents: number): string {
  if (!Number.isInteger(cents)) throw new RangeError(`money: ${cents} is not a whole number of cents`);
  const whole = Math.floor(Math.abs(cents) / 100).toString();
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, '\u202f');
  return `${cents < 0 ? '−' : ''}${grouped}.${String(Math.abs(cents) % 100).padStart(2, '0')}`;
}
