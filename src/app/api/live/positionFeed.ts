import 'server-only';
import { database } from '@/data/connection';
import type { News } from '@/core/shop/news';
import { lastPosition } from '@/data/facts/factRepository';
import { newsBetween } from '@/data/facts/newsBetween';

type Listener = (news: News) => void;

const pauseMs = 400;
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
      const position = await lastPosition(database());
      if (position !== this.last) {
        const before = this.last;
        const news = before === -1 || position < before ? null : await newsBetween(database(), before, position);
        this.last = position;
        if (before !== -1) for (const listener of this.listeners) listener(news);
      }
    } catch {
      // The database is away: the next look finds what happened meanwhile, since positions only grow.
    }
    if (this.listeners.size > 0) this.timer = setTimeout(() => void this.look(), pauseMs);
    else this.timer = undefined;
  }
}

export const positionFeed = (): PositionFeed => (holder.pluckyFeed ??= new PositionFeed());
