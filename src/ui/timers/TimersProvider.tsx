'use client';
import { stopwatch } from '@/words/format';
import { createContext, useContext, useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Timer, Unit } from '@/core/entities/entities';
import { beep } from '@/ui/base/beep';
import { useShop } from '@/ui/facts/ShopProvider';
import { sayFixture, secondsLeft } from './timeLeft';
import { useShopSecond } from './useSecond';
import * as words from '@/words/catalogue/timers';

export interface RunningTimer {
  readonly unit: Pick<Unit, 'id' | 'tag'>;
  readonly timer: Timer;
}

const TimersContext = createContext<readonly RunningTimer[]>([]);

/** Every timer of the shop, the one that is over first or soonest first. */
export const useTimers = (): readonly RunningTimer[] => useContext(TimersContext);

/** An alarm that nobody has heard is given again. */
const alarmEverySeconds = 20;

/**
 * The timers of all benches, on every screen. They live with their units on the server, so that they outlive a reload,
 * this browser and a restart; what this browser began itself is there at once.
 */
export function TimersProvider({ units, children }: { readonly units: readonly Unit[]; readonly children: ReactNode }) {
  const seeds = useMemo(() => ({ models: [], units }), [units]);
  const shop = useShop(seeds);
  const running = useMemo(() => {
    const all = new Map([...shop.units, ...shop.madeUnits].map((unit) => [unit.id, unit]));
    return [...all.values()]
      .flatMap(({ id, tag, timer }) => (timer ? [{ unit: { id, tag }, timer }] : []))
      .sort((a, b) => endOf(a.timer) - endOf(b.timer));
  }, [shop]);
  useAlarms(running);
  return <TimersContext.Provider value={running}>{children}</TimersContext.Provider>;
}

const endOf = ({ beganAt, minutes }: Timer): number => Date.parse(beganAt) + minutes * 60_000;

/** Sound, and the title of the window: the first that is over, else the next that will be. */
function useAlarms(running: readonly RunningTimer[]): void {
  const second = useShopSecond();
  const title = useRef('');
  useEffect(() => {
    const next = running[0];
    const left = next && second > 0 ? secondsLeft(next.timer, second * 1000) : null;
    const plain = document.title.replace(title.current, '');
    title.current =
      !next || left === null
        ? ''
        : left > 0
          ? `${stopwatch(left)} ${sayFixture(next.timer)} · `
          : `${words.isReady({ tag: next.unit.tag })} `;
    document.title = `${title.current}${plain}`;
    const isDue = running.some(({ timer }) => {
      const over = second > 0 ? -secondsLeft(timer, second * 1000) : -1;
      return over >= 0 && over % alarmEverySeconds === 0;
    });
    if (isDue) beep('well');
  }, [running, second]);
}
