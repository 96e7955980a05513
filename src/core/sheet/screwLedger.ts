import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { comesOut, isScrew, type Joint } from '@/core/procedure/joints';
import type { ScrewTrouble } from '../entities/entities';

export interface ScrewLedger {
  /** Screws taken out so far that go back, without those that were never there. */
  readonly out: number;
  /** Screws put in again so far. */
  readonly returned: number;
  /** Screws that are used once and were thrown away: new ones go in. */
  readonly discarded: number;
  /** Captive screws that were loosened so far: they stay where they are. */
  readonly loosened: number;
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
  const screws = (leg: SheetStep['leg'], which: (joint: Joint) => boolean) =>
    steps
      .filter((step) => step.leg === leg && doneStepIds.includes(step.id))
      .flatMap(({ joints }) => joints)
      .filter(which).length;
  const troubled = (kinds: readonly ScrewTrouble['kind'][]) =>
    troubles.filter(({ kind }) => kinds.includes(kind)).reduce((sum, { count }) => sum + count, 0);
  return {
    out: Math.max(0, screws('out', returns) - troubled(['missing'])),
    returned: screws('back', returns),
    discarded: screws('out', (joint) => comesOut(joint) && joint.singleUse === true),
    loosened: screws('out', (joint) => isScrew(joint) && !comesOut(joint)),
    toReplace: troubled(['missing', 'stripped', 'foreign', 'short']),
  };
}

const returns = (joint: Joint): boolean => comesOut(joint) && joint.singleUse !== true;
