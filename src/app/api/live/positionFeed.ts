import 'server-only';
import { performance, type EventLoopUtilization } from 'node:perf_hooks';
import { database } from '@/data/connection';
import { lastPosition } from '@/data/facts/factRepository';
import { newsBetween } from '@/data/facts/newsBetween';
import { readLineStates, type LiveMessage } from '@/services/line/readLine';
import { leastGapMs, nextGap } from './nextGap';

type Listener = (message: LiveMessage) => void;

const pauseMs = 400;
const holder = globalThis as typeof globalThis & { pluckyFeed?: PositionFeed };

/** Asks the database for what happened since, once for all listeners of this process, and only while there are any. */
class PositionFeed {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | undefined;
  private last = -1;
  private busy: EventLoopUtilization = performance.eventLoopUtilization();
  private gapMs = leastGapMs;

  /** @returns ends it; may be called more than once */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    this.timer ??= setTimeout(() => void this.look(), 0);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0) {
        clearTimeout(this.timer);
        this.timer = undefined;
      }
    };
  }

  private async look(): Promise<void> {
    const now = performance.eventLoopUtilization();
    this.gapMs = nextGap(this.gapMs, performance.eventLoopUtilization(now, this.busy).utilization);
    this.busy = now;
    try {
      const db = database();
      const position = await lastPosition(db);
      const before = this.last;
      if (before === -1) this.last = position;
      else if (position !== before) {
        const [news, line] = await Promise.all([
          position < before ? null : newsBetween(db, before, position),
          readLineStates(db, new Date()),
        ]);
        this.last = position;
        const message = { news, line, gapMs: Math.round(this.gapMs) };
        for (const listener of this.listeners) listener(message);
      }
    } catch {
      // The database is away: the next look finds what happened meanwhile, since positions only grow.
    }
    if (this.listeners.size > 0) this.timer = setTimeout(() => void this.look(), pauseMs);
    else this.timer = undefined;
  }
}

export const positionFeed = (): PositionFeed => (holder.pluckyFeed ??= new PositionFeed());
