import * as counts from '@/words/catalogue/counts';
import { list } from '@/words/format';

/** Up to two steps by name, more by number. */
export const saySteps = (titles: readonly string[]): string =>
  titles.length <= 2 ? list(titles.map((name) => counts.quoted({ name }))) : counts.steps({ count: titles.length });

/** How far something opens. */
export const sayOpening = ({ mm, degrees }: { readonly mm?: number; readonly degrees?: number }): string =>
  counts.opensNoFurther({ opening: mm === undefined ? counts.degrees({ degrees }) : counts.millimetres({ mm }) });
