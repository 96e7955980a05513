import type { Door } from '@/app/door';

/** What a server process does besides answering pages: it counts, and hangs up the door that scripts/server/server.cjs asks first. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build') return;
  const [{ database }, { watchQueries }, { watch }, { keepCounting }, { door }] = await Promise.all([
    import('@/data/connection'),
    import('@/data/watchQueries'),
    import('@/app/watch'),
    import('@/services/tallies/keepCounting'),
    import('@/app/door'),
  ]);
  (globalThis as typeof globalThis & { pluckyDoor?: Door }).pluckyDoor = door;
  watchQueries(database(), (sql, ms) => watch()?.query(sql, ms));
  void keepCounting(database(), () => false);
}
