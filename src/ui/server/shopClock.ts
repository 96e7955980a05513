import { clockPatienceMs } from '@/core/shop/shopTime';

/** What this browser last knew of its own clock; a page that is loaded without a server goes by it. */
const keptUnder = 'plucky-clock-off-ms';

let offMs: number | undefined;

function kept(): number {
  try {
    const ms = Number(localStorage.getItem(keptUnder) ?? 0);
    return Number.isFinite(ms) ? ms : 0;
  } catch {
    return 0;
  }
}

const off = (): number => (offMs ??= kept());

/** The time of the shop, in ms: this browser's clock, set right by the server's where the two are minutes apart. */
export const shopNow = (): number => Date.now() - off();

/** How many seconds this browser's clock is ahead; 0 when it is right. */
export const clockOffS = (): number => Math.round(off() / 1000);

/**
 * Compares this browser's clock with what an answer says of the server's. What is within what a network may take is not a fault.
 *
 * @param date  the answer's own `date`
 */
export function learnClock(date: string | null, hereMs = Date.now()): void {
  const there = Date.parse(date ?? '');
  if (Number.isNaN(there)) return;
  offMs = Math.abs(hereMs - there) > clockPatienceMs ? hereMs - there : 0;
  try {
    localStorage.setItem(keptUnder, String(offMs));
  } catch {
    // Full or forbidden: it is learnt again from the next answer.
  }
}

/** Asks what time it is; a server that does not answer is none that could tell. */
export const askClock = (): Promise<void> =>
  fetch('/api/health', { cache: 'no-store' }).then(
    ({ headers }) => learnClock(headers.get('date')),
    () => undefined,
  );
