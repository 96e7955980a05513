import { shopWriting, writer } from './shopWriting';

const decimals = (digits: number, least = digits) =>
  writer(
    `decimal ${least} ${digits}`,
    ({ language }) => new Intl.NumberFormat(language, { minimumFractionDigits: least, maximumFractionDigits: digits }),
  );

/** A number with at most two decimals, grouped as the shop's language does. */
export const number = (value: number): string => decimals(2, 0).format(value);

/** A number with exactly one decimal. */
export const tenths = (value: number): string => decimals(1).format(value);

/** A whole number. */
export const whole = (value: number): string => decimals(0).format(value);

/**
 * Cents as money with the currency's sign: for sentences.
 *
 * @throws RangeError when cents is no integer
 */
export function money(cents: number): string {
  checkCents(cents);
  const format = writer(
    'money',
    ({ language, currency }) => new Intl.NumberFormat(language, { style: 'currency', currency }),
  );
  return format.format(cents / 100);
}

/** Cents as money with plus or minus before it: what is gained or lost. */
export function signedMoney(cents: number): string {
  checkCents(cents);
  const format = writer(
    'signed money',
    ({ language, currency }) =>
      new Intl.NumberFormat(language, { style: 'currency', currency, signDisplay: 'exceptZero' }),
  );
  return format.format(cents / 100);
}

/** Cents without the sign, for tables whose heading has it. */
export function amount(cents: number): string {
  checkCents(cents);
  return decimals(2).format(cents / 100);
}

function checkCents(cents: number): void {
  if (!Number.isInteger(cents)) throw new RangeError(`money: ${cents} is not a whole number of cents`);
}

/** The currency's sign alone, for headings. */
export function currencySign(): string {
  const format = writer(
    'sign',
    ({ language, currency }) => new Intl.NumberFormat(language, { style: 'currency', currency }),
  );
  return format.formatToParts(0).find(({ type }) => type === 'currency')?.value ?? '';
}

/** A share from 0 to 1 as whole per cent: 62 %. */
export const share = (value: number): string =>
  writer('share', ({ language }) => new Intl.NumberFormat(language, { style: 'percent' }))
    .format(value)
    .replace(/(\d)%/, '$1\u00a0%');

/** "a, b and c". */
export const list = (items: readonly string[]): string =>
  writer('list', ({ language }) => new Intl.ListFormat(language, { type: 'conjunction' })).format(items);

/** "a, b or c". */
export const either = (items: readonly string[]): string =>
  writer('either', ({ language }) => new Intl.ListFormat(language, { type: 'disjunction' })).format(items);

/** Minutes as people say them: 4 min, 1 h 05. */
export function minutes(value: number): string {
  const rounded = Math.round(value);
  if (rounded < 60) return `${rounded}\u00a0min`;
  return `${Math.floor(rounded / 60)}\u00a0h\u00a0${String(rounded % 60).padStart(2, '0')}`;
}

/** Seconds as a stop-watch shows them: 0:31, 12:05. */
export function stopwatch(seconds: number): string {
  const rounded = Math.max(0, Math.floor(seconds));
  return `${Math.floor(rounded / 60)}:${String(rounded % 60).padStart(2, '0')}`;
}

const dates = (key: string, options: Intl.DateTimeFormatOptions) =>
  writer(key, ({ language, timeZone }) => new Intl.DateTimeFormat(language, { timeZone, ...options }));

/** The time of day in the shop, of an instant in ISO. */
export const clock = (iso: string): string =>
  dates('clock', { hour: '2-digit', minute: '2-digit', hour12: false }).format(new Date(iso));

/** The day in the shop, of an instant in ISO, or of a day: 26 Nov 2026. */
export const day = (iso: string): string =>
  iso.length === 10
    ? writer(
        'plain day',
        ({ language }) => new Intl.DateTimeFormat(language, { timeZone: 'UTC', dateStyle: 'medium' }),
      ).format(new Date(`${iso}T00:00:00Z`))
    : dates('day', { dateStyle: 'medium' }).format(new Date(iso));

/** Day and time of an instant in the shop. */
export const moment = (iso: string): string => `${day(iso)}, ${clock(iso)}`;

/** A word at the start of a sentence. */
export const capital = (word: string): string =>
  `${word.charAt(0).toLocaleUpperCase(shopWriting().language)}${word.slice(1)}`;

/** A day in little room, of a day in ISO: 26 Nov. */
export const shortDay = (day: string): string =>
  writer(
    'short day',
    ({ language }) => new Intl.DateTimeFormat(language, { timeZone: 'UTC', day: 'numeric', month: 'short' }),
  ).format(new Date(day));

export const lower = (word: string): string => word.toLocaleLowerCase(shopWriting().language);
