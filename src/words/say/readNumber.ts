import { writer } from '@/words/shopWriting';

/** What stands between whole and parts, and between thousands, as this shop writes numbers. */
const signs = (): { readonly decimal: string; readonly group: string } =>
  writer('number signs', ({ language }) => {
    const parts = new Intl.NumberFormat(language).formatToParts(12345.5);
    const of = (type: Intl.NumberFormatPartTypes) => parts.find((part) => part.type === type)?.value ?? '';
    return { decimal: of('decimal') || '.', group: of('group') };
  });

/**
 * A number as people type it: "1450.5", "1.450,5", "1 450,5". Where both signs occur the last one stands before the parts;
 * where one could be either, as in "1.450", the shop's language says which it is.
 *
 * @returns undefined when it is no number of nought or more
 */
export function readNumber(text: string): number | undefined {
  const plain = text.trim().replace(/[\s\u202f\u00a0'’]/g, '');
  if (!/^\d[\d.,]*$/.test(plain)) return undefined;
  const last = Math.max(plain.lastIndexOf('.'), plain.lastIndexOf(','));
  if (last === -1) return Number(plain);
  const sign = plain.charAt(last);
  const other = sign === '.' ? ',' : '.';
  const [whole, parts] = [plain.slice(0, last), plain.slice(last + 1)];
  const isGrouped = (digits: string, by: string) => new RegExp(`^\\d{1,3}(?:\\${by}\\d{3})+$`).test(digits);
  // Only thousands: the sign occurs more than once, or the shop groups by it and three figures follow.
  const isRepeated = whole.includes(sign);
  const isGroup = sign === signs().group && sign !== signs().decimal;
  if (isGrouped(plain, sign) && (isRepeated || isGroup)) return Number(plain.replaceAll(sign, ''));
  if (isRepeated || parts === '') return undefined;
  if (whole.includes(other) && !isGrouped(whole, other)) return undefined;
  return Number(`${whole.replaceAll(other, '')}.${parts}`);
}

/** The same, where it may be below nought. */
export function readSigned(text: string): number | undefined {
  const [, sign = '', rest = ''] = /^\s*([-−]?)(.*)$/.exec(text) ?? [];
  const value = readNumber(rest);
  return value === undefined ? undefined : sign ? -value : value;
}

/** A number as it is typed into a field: without groups, and with the sign that this shop puts before the parts. */
export const writeNumber = (value: number): string => String(value).replace('.', signs().decimal);
