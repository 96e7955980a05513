/**
 * The day of an instant where the shop is, as an ISO date: the shop's day begins and ends by its own clock, not by UTC.
 *
 * @param instant   milliseconds since 1970, or ISO with its zone
 * @param timeZone  IANA
 * @throws RangeError for a zone or an instant that is none
 */
export function shopDay(instant: number | string, timeZone: string): string {
  const parts = formatIn(timeZone).formatToParts(typeof instant === 'string' ? Date.parse(instant) : instant);
  const of = (type: Intl.DateTimeFormatPartTypes) => parts.find((part) => part.type === type)?.value ?? '';
  return `${of('year')}-${of('month')}-${of('day')}`;
}

const formats = new Map<string, Intl.DateTimeFormat>();

function formatIn(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const options = { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' } as const;
  const fresh = new Intl.DateTimeFormat('en-GB', options);
  formats.set(timeZone, fresh);
  return fresh;
}
