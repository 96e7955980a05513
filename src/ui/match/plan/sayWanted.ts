import type { Wanted } from '@/core/matchPlan/oneMore';
import * as words from '@/words/catalogue/matchPlan';

/** What there could be one more of, as people call it. @param names  of classes of parts */
export const sayWanted = (wanted: Wanted, names: Readonly<Record<string, string>>): string =>
  wanted.is === 'part'
    ? words.oneMorePart({ name: names[wanted.of] ?? wanted.of, grade: wanted.grade })
    : // A group is called by the tag of its first unit.
      words.oneMoreUnit({ tag: wanted.group });
