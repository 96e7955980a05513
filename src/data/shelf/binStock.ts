import type { Grade } from '@/core/shared/grades';
import type { BinStock } from '@/core/shelf/racks';
import type { Tallies } from '@/data/tallies/readTallies';

/** How many parts of each class and grade lie in each bin. */
export const binStock = ({ bin }: Tallies<'bin'>): readonly BinStock[] =>
  bin.map(({ about, more, count }) => {
    const [interchange = '', grade = ''] = more.split(' ');
    return { bin: about, interchange, grade: (grade || null) as Grade | null, count };
  });
