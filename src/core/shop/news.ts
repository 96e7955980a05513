import type { PartPlace, UnitStage } from '@/core/entities/stages';

/** Where something lies: a unit at a stage, a part at a place, or what is not tagged yet at the dock. */
export type Whereabouts = UnitStage | PartPlace | 'dock';

/** What a fact that was just recorded is about, as far as a screen needs it to know whether it shows any of that. */
export interface NewsFact {
  /** Tag of the unit; null when it is about none. */
  readonly unit: string | null;
  /** It is about one part: which unit shows that part cannot be told from here. */
  readonly isOfPart: boolean;
  /** A wait on a fixture began or ended: it is shown at every bench. */
  readonly turnsTimer: boolean;
  /** Where the things that it changed lay before, and where they lie now. */
  readonly at: readonly Whereabouts[];
}

/** What happened in the shop since the last news; null when it was too much to tell one by one. */
export type News = readonly NewsFact[] | null;

/** What the screens of the line show, each by the beginning of its path; the longest that fits counts. */
const shows: Readonly<Record<string, readonly Whereabouts[]>> = {
  '/triage': ['triage'],
  '/teardown': ['teardown'],
  '/rebuild': ['rebuild'],
  '/grade': ['grade'],
  '/shelf': ['to-shelve', 'shelf', 'reserved', 'assigned', 'lost', 'scrap', 'hazard'],
  '/match': ['match', 'shelf', 'reserved', 'assigned'],
  '/prove': ['prove'],
  '/send': ['send', 'sent'],
  '/apart': ['kept-apart'],
  // What is set here or written down is no fact of the line.
  '/models': [],
  '/rules': [],
  '/prices': [],
  '/people': [],
  '/exports': [],
};
/** What looks back on the whole shop, though its path begins like one of those. */
const showAll = ['/triage/score', '/match/plan'];

/**
 * Whether a screen may show something of the news, besides the line above it, which is told on its own. A unit's bench shows
 * that unit, its parts, and what waits anywhere; a screen of the line what lies there; others, as Today, look at the whole shop.
 *
 * @param path  of the screen
 */
export function concerns(path: string, news: News): boolean {
  if (news === null) return true;
  const [, tag] = /^\/bench\/([^/]+)$/.exec(path) ?? [];
  if (tag !== undefined) {
    const own = decodeURIComponent(tag).toUpperCase();
    return news.some(({ unit, isOfPart, turnsTimer }) => unit === null || unit === own || isOfPart || turnsTimer);
  }
  const screen = Object.keys(shows).find((start) => path === start || path.startsWith(`${start}/`));
  if (screen === undefined || showAll.includes(path)) return true;
  return news.some(({ turnsTimer, at }) => turnsTimer || at.some((place) => shows[screen]?.includes(place)));
}
