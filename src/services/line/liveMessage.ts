import type { News } from '@/core/shop/news';
import type { LineStates } from './readLine';

/** What the stream tells whenever the log has grown. */
export interface LiveMessage {
  readonly news: News;
  /** The line as it is now; null from a stream that was broken, when nobody knows. */
  readonly line: LineStates | null;
  /** How long a screen should wait at least before it is read again once more. */
  readonly gapMs: number;
}
