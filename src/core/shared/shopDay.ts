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

const hourMs = 3_600_000;
/** No clock on land is further from UTC. */
const furthestMs = 15 * hourMs;

/**
 * The instant at which a day begins where the shop is, in milliseconds since 1970. On a day that the clock skips, the
 * beginning of the next.
 *
 * @param day  ISO date
 * @throws RangeError for a zone or a day that is none
 */
export function shopDayStart(day: string, timeZone: string): number {
  const midnight = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(midnight)) throw new RangeError(`shopDayStart: ${day}`);
  // The shop's day never goes back as time goes on, so the first instant of a day is found by halving.
  let [before, there] = [midnight - furthestMs, midnight + furthestMs];
  while (there - before > 1) {
    const middle = Math.floor((before + there) / 2);
    if (shopDay(middle, timeZone) >= day) there = middle;
    else before = middle;
  }
  return there;
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
