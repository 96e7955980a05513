/** What a server process does besides answering. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build') return;
  const [{ database }, { keepCounting }] = await Promise.all([
    import('@/data/connection'),
    import('@/services/tallies/keepCounting'),
  ]);
  void keepCounting(database(), () => false);
}
