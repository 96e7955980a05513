import 'server-only';
import { database } from '@/data/connection';
import { lastPosition } from '@/data/facts/factRepository';
import { newsBetween } from '@/data/facts/newsBetween';
import { readLineStates, type LiveMessage } from '@/services/line/readLine';

type Listener = (message: LiveMessage) => void;

const pauseMs = 400;
/** A screen that is read again costs about so much of a server: the more listen, the more seldom each does. */
const screenMs = 80;
const leastGapMs = 1000;
const holder = globalThis as typeof globalThis & { pluckyFeed?: PositionFeed };

/** Asks the database for what happened since, once for all listeners of this process, and only while there are any. */
class PositionFeed {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | undefined;
  private last = -1;

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
        const gapMs = Math.max(leastGapMs, this.listeners.size * screenMs);
        for (const listener of this.listeners) listener({ news, line, gapMs });
      }
    } catch {
      // The database is away: the next look finds what happened meanwhile, since positions only grow.
    }
    if (this.listeners.size > 0) this.timer = setTimeout(() => void this.look(), pauseMs);
    else this.timer = undefined;
  }
}

export const positionFeed = (): PositionFeed => (holder.pluckyFeed ??= new PositionFeed());
