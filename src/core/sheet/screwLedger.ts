import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { ScrewTrouble } from '../entities/entities';

export interface ScrewLedger {
  /** Screws taken out so far, without those that were never there. */
  readonly out: number;
  /** Screws put in again so far. */
  readonly returned: number;
  /** Screws that were missing or cannot be used again: fresh ones go in. */
  readonly toReplace: number;
}

/**
 * Screws out, in, and to be replaced, as sums over the joints of the steps done.
 *
 * @param steps  of the whole sheet
 */
export function screwLedger(
  steps: readonly SheetStep[],
  doneStepIds: readonly string[],
  troubles: readonly ScrewTrouble[],
): ScrewLedger {
  const screws = (leg: SheetStep['leg']) =>
    steps
      .filter((step) => step.leg === leg && doneStepIds.includes(step.id))
      .flatMap(({ joints }) => joints)
      .filter(({ kind }) => kind === 'screw').length;
  const troubled = (kinds: readonly ScrewTrouble['kind'][]) =>
    troubles.filter(({ kind }) => kinds.includes(kind)).reduce((sum, { count }) => sum + count, 0);
  return {
    out: Math.max(0, screws('out') - troubled(['missing'])),
    returned: screws('back'),
    toReplace: troubled(['missing', 'stripped', 'foreign', 'short']),
  };
}
