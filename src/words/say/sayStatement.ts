import type { Unit } from '@/core/entities/entities';
import { kindsFound } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import type { Finding } from '@/core/procedure/vocabulary';
import * as words from '@/words/catalogue/papers';

const foundWords: Readonly<Partial<Record<Finding, () => string>>> = {
  liquid: words.liquidWasFoundInsideCleaned,
  swelling: words.swollenBatteryWasReplacedFrame,
  'opened-before': words.repairedByOthersBefore,
};

/** What a buyer is told of a unit that is sold: its data, whether it was opened, and what was found on it. */
export function sayStatement(unit: Pick<Unit, 'fitted' | 'marks' | 'found'>): string {
  const found = kindsFound(unit).filter((finding) => findingRules[finding].isStated);
  return [
    words.dataWiped(),
    Object.keys(unit.fitted).length > 0 ? words.openedForRepairWaterResistance() : words.notOpenedHere(),
    ...found.map((finding) => foundWords[finding]?.() ?? ''),
  ].join(' ');
}
