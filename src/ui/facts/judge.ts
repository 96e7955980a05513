import { late } from '@/ui/base/late';

/** What judges a fact in the browser as the server will: the whole core of the line, a third of a screen's own script. */
export const judge = late(async () => {
  const [{ applyFact }, { makeFact }, { MemoryWorld }] = await Promise.all([
    import('@/core/shop/applyFact'),
    import('@/core/shop/makeFact'),
    import('@/core/shop/memoryWorld'),
  ]);
  return { applyFact, makeFact, MemoryWorld };
});

export type Judge = NonNullable<ReturnType<typeof judge.now>>;
