/** What a fact that was just recorded is about, as far as a screen needs it to know whether it shows any of that. */
export interface NewsFact {
  /** Tag of the unit; null when it is about none. */
  readonly unit: string | null;
  /** It is about one part: which unit shows that part cannot be told from here. */
  readonly isOfPart: boolean;
  /** A wait on a fixture began or ended: it is shown at every bench. */
  readonly turnsTimer: boolean;
}

/** What happened in the shop since the last news; null when it was too much to tell one by one. */
export type News = readonly NewsFact[] | null;

/**
 * Whether a screen may show something of the news. A unit's bench shows that unit, its parts, and what waits anywhere; every
 * other screen shows how much waits at each stage, and is always concerned.
 *
 * @param path  of the screen
 */
export function concerns(path: string, news: News): boolean {
  const [, tag] = /^\/bench\/([^/]+)$/.exec(path) ?? [];
  if (tag === undefined || news === null) return true;
  const own = decodeURIComponent(tag).toUpperCase();
  return news.some(({ unit, isOfPart, turnsTimer }) => unit === null || unit === own || isOfPart || turnsTimer);
}
