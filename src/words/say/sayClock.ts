import * as words from '@/words/catalogue/history';

/** By how much the clock that dated a fact was wrong; null when it was right. @param offS  seconds it was ahead */
export const sayClock = (offS: number | null): string | null =>
  offS === null
    ? null
    : (offS > 0 ? words.clockAhead : words.clockBehind)({ minutes: Math.round(Math.abs(offS) / 60) });
