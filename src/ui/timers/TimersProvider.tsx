'use client';
import { stopwatch } from '@/words/format';
import { createContext, useContext, useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Part, Timer, Unit } from '@/core/entities/entities';
import { minutesOf } from '@/core/battery/conditioning';
import type { Waits } from '@/services/bench/readTimers';
import { beep } from '@/ui/base/beep';
import { useShop } from '@/ui/facts/ShopProvider';
import { isNear, sayWait, secondsLeft, type RunningWait } from './timeLeft';
import { useShopSecond } from './useSecond';
import * as words from '@/words/catalogue/timers';

const WaitsContext = createContext<readonly RunningWait[]>([]);

/** Everything in the shop that waits by itself, what is over first or soonest first. */
export const useWaits = (): readonly RunningWait[] => useContext(WaitsContext);

/** Units that wait on fixtures, with their timers. */
export const useTimers = (): readonly (RunningWait & { readonly timer: Timer })[] =>
  useWaits().flatMap((wait) => (wait.timer ? [{ ...wait, timer: wait.timer }] : []));

/** An alarm that nobody has heard is given again: glue is over when it is over, a cell on its charger has time. */
const alarmEverySeconds = 20;

/**
 * What waits at all benches, on every screen. Waits live with their units and parts on the server, so that they outlive a
 * reload, this browser and a restart; what this browser began itself is there at once.
 */
export function TimersProvider({ waits, children }: { readonly waits: Waits; readonly children: ReactNode }) {
  const seeds = useMemo(() => ({ models: [], units: waits.units, parts: waits.cells }), [waits]);
  const shop = useShop(seeds);
  const running = useMemo(() => {
    const units = new Map([...shop.units, ...shop.madeUnits].map((unit) => [unit.id, unit]));
    const cells = new Map(shop.parts.map((part) => [part.id, part]));
    return [...[...units.values()].flatMap(waitOfUnit), ...[...cells.values()].flatMap(waitOfCell)].sort(
      (a, b) => endOf(a) - endOf(b),
    );
  }, [shop]);
  useAlarms(running);
  return <WaitsContext.Provider value={running}>{children}</WaitsContext.Provider>;
}

const waitOfUnit = ({ id, tag, timer }: Unit): readonly RunningWait[] =>
  timer ? [{ id, tag, href: `/bench/${tag}`, ...lasting(timer), timer, conditioning: null }] : [];

const waitOfCell = ({ id, tag, place, conditioning }: Part): readonly RunningWait[] =>
  conditioning
    ? [
        {
          id,
          tag,
          href: place === 'grade' ? `/grade?part=${tag}` : `/t/${tag}`,
          beganAt: conditioning.beganAt,
          minutes: minutesOf(conditioning.steps),
          timer: null,
          conditioning,
        },
      ]
    : [];

const lasting = ({ beganAt, minutes }: Timer) => ({ beganAt, minutes });

const endOf = ({ beganAt, minutes }: RunningWait): number => Date.parse(beganAt) + minutes * 60_000;

/** Sound, and the title of the window: the first that is over, else the next that will be. */
function useAlarms(running: readonly RunningWait[]): void {
  const second = useShopSecond();
  const title = useRef('');
  useEffect(() => {
    const next = running.find((wait) => isNear(wait, second * 1000));
    const left = next && second > 0 ? secondsLeft(next, second * 1000) : null;
    const plain = document.title.replace(title.current, '');
    title.current =
      !next || left === null
        ? ''
        : left > 0
          ? `${stopwatch(left)} ${sayWait(next, second * 1000)} · `
          : `${words.isReady({ tag: next.tag })} `;
    document.title = `${title.current}${plain}`;
    const isDue = running.some((wait) => {
      const over = second > 0 ? -secondsLeft(wait, second * 1000) : -1;
      return wait.timer ? over >= 0 && over % alarmEverySeconds === 0 : over === 0;
    });
    if (isDue) beep('well');
  }, [running, second]);
}
