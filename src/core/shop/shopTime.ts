import type { Fact } from './facts';

/** Two clocks that are no further apart are taken as one: a queue and a slow network cost as much. Milliseconds. */
export const clockPatienceMs = 2 * 60_000;

/** As far as two clocks are said to be apart: more than sixty years are no more wrong than sixty. Seconds. */
export const mostOffS = 2_000_000_000;

/**
 * A fact with its time by the server's clock. Where the sender's clock was wrong by minutes, the time is put right by as much and
 * the fact says by how much; what cannot have happened yet happened now.
 *
 * @param sentAt  what the clock that dated the fact said when it was sent, ISO; unknown when undefined
 * @param now     the server's clock
 */
export function inShopTime(fact: Fact, sentAt: string | undefined, now: Date): Fact {
  const apartMs = sentAt === undefined ? 0 : Date.parse(sentAt) - now.getTime();
  const offMs = Math.abs(apartMs) > clockPatienceMs ? apartMs : 0;
  const said = Date.parse(fact.at);
  const right = said - offMs > now.getTime() + clockPatienceMs ? now.getTime() : said - offMs;
  if (right === said) return fact;
  const offS = (fact.clockOffS ?? 0) + Math.round((said - right) / 1000);
  return {
    ...fact,
    at: new Date(right).toISOString(),
    clockOffS: Math.max(-mostOffS, Math.min(mostOffS, offS)),
  };
}
