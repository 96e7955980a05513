import { useState, useSyncExternalStore } from 'react';
import type { LineStates } from '@/services/line/readLine';

let latest: LineStates | null = null;
const listeners = new Set<() => void>();

/** The stream says how much lies at every stage. */
export function tellLine(line: LineStates): void {
  latest = line;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** The line as it came with the page, or as the stream told it since. @param served  a new one with every page */
export function useLineNow(served: LineStates): LineStates {
  const live = useSyncExternalStore(
    subscribe,
    () => latest,
    () => null,
  );
  // What was told before the page came is older than the page.
  const [start, setStart] = useState({ served, live });
  if (start.served !== served) setStart({ served, live });
  return live !== null && start.served === served && live !== start.live ? live : served;
}
