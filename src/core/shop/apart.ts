import type { Unit } from '@/core/entities/entities';
import type { ApartPlace, LetGoCause } from '@/core/entities/stages';
import { kindsFound } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import { message, type Message } from '@/core/shared/message';

/** A place for units that are kept apart: what is done there, and why a unit may leave it. */
export interface ApartRule {
  /** What makes it safe, or settles it, in order. */
  readonly steps: readonly Message<'apart'>[];
  /** Reasons that let a unit go back to triage, or, for `disposed`, leave for good. */
  readonly letsGo: readonly LetGoCause[];
  readonly note: Message<'apart'>;
}

/** Local codes and licensed practice come first, and the note says so where it matters. */
export const apartRules: Readonly<Record<ApartPlace, ApartRule>> = {
  hazard: {
    steps: [
      message('apart.switchedOffNothingPluggedIn'),
      message('apart.inFireSafePlaceIn'),
      message('apart.coolAndWithoutSmellFor'),
    ],
    letsGo: ['made-safe', 'disposed'],
    note: message('apart.localRulesForDamagedBatteries'),
  },
  ownership: {
    steps: [message('apart.serialAndOriginNoted'), message('apart.supplierOrOwnerAskedWith')],
    letsGo: ['lock-removed', 'owner-agrees'],
    note: message('apart.unitThatMayBelongTo'),
  },
  'unknown-model': {
    steps: [message('apart.photosTakenAllSides'), message('apart.modelInLibraryOrFirst')],
    letsGo: ['model-known', 'disposed'],
    note: message('apart.notesAreKeptGoesBack'),
  },
};

/**
 * Where a unit is kept apart. What was found on it decides before anybody’s choice: a swollen cell belongs into the
 * fire-safe place whatever else is the matter. Without either it is the model, or the owner, that is not known.
 */
export function placeApart(unit: Unit, chosen: ApartPlace | null): ApartPlace {
  const byFinding = kindsFound(unit).map((finding) => findingRules[finding].unitPlace);
  return byFinding.find((place) => place !== null) ?? chosen ?? (unit.modelId === null ? 'unknown-model' : 'ownership');
}
