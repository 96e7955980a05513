import type { Part } from '@/core/entities/entities';
import { day } from '@/words/format';
import * as words from '@/words/catalogue/shelf';

/** Where a part came from: the unit that it was harvested from, or from whom it was bought, with its warranty. */
export const sayOrigin = ({ bought }: Pick<Part, 'bought'>, unitTag: string): string =>
  bought
    ? words.boughtFrom({
        condition: bought.condition,
        supplier: bought.supplier,
        on: day(bought.on),
        until: bought.warrantyUntil === null ? '' : day(bought.warrantyUntil),
        hasWarranty: bought.warrantyUntil === null ? 'no' : 'yes',
      })
    : unitTag;
