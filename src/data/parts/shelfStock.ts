import { grouped } from '@/core/shared/grouped';
import type { SaleGrade } from '@/core/shared/grades';
import type { OnShelf } from '@/core/triage/knowledge';
import type { Tallies } from '@/data/tallies/readTallies';

/** The best of each class on the shelf; of assemblies, one that brings most of what would have to move to it. */
export function shelfStock({ stock, whole }: Tallies<'stock' | 'whole'>): Readonly<Record<string, OnShelf>> {
  const wholeOf = grouped(whole, ({ about }) => about);
  return Object.fromEntries(
    [...grouped(stock, ({ about }) => about)].map(([interchange, own]) => {
      const grade = own.map(({ more }) => more.slice(0, 1)).sort()[0] as SaleGrade;
      const [best] = (wholeOf.get(interchange) ?? [])
        .map(({ more }) => more.split(' '))
        .filter(([of]) => of === grade)
        .sort((a, b) => b.length - a.length || a.join(' ').localeCompare(b.join(' ')));
      const [, modelId, ...carries] = best ?? [];
      const count = own.reduce((sum, { count: more }) => sum + more, 0);
      return [interchange, { grade, count, ...(modelId !== undefined && { whole: { modelId, carries } }) }];
    }),
  );
}
