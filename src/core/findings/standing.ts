import type { Model } from '@/core/procedure/model';
import type { Finding } from '@/core/procedure/vocabulary';
import { kindsFound, type Found } from './mark';
import { capIn } from './partHarm';
import { findingRules, type Deed } from './rules';

/** What a unit is known by here. */
export type FoundUnit = Found & {
  /** Slot → part that was put in. */
  readonly fitted: Readonly<Record<string, string>>;
};

/** Whether something found is over: every part that it made scrap has been replaced. */
function isOver(model: Model, unit: FoundUnit, finding: Finding): boolean {
  if (!findingRules[finding].isOverWhenReplaced) return false;
  const own: Found = {
    marks: unit.marks.filter(({ kind }) => kind === finding),
    found: (unit.found ?? []).filter((kind) => kind === finding),
  };
  const spoilt = model.parts.filter((part) => capIn(model, part, own)?.grade === 'X' && part.slot !== undefined);
  return spoilt.length > 0 && spoilt.every(({ id }) => unit.fitted[id] !== undefined);
}

/** What was found on a unit and still holds. */
export const standingFindings = (model: Model | null, unit: FoundUnit): readonly Finding[] =>
  kindsFound(unit).filter((finding) => !model || !isOver(model, unit, finding));

/** The finding that forbids a deed to a unit as it is; undefined when none does. */
export const forbiddenBy = (model: Model | null, unit: FoundUnit, deed: Deed): Finding | undefined =>
  standingFindings(model, unit).find((finding) => findingRules[finding].forbids.includes(deed));

/** What is left of what was found when somebody says that the unit was made safe. */
export function settledBy<T extends Found>(unit: T, because: string): Pick<T, 'marks'> & { found: readonly Finding[] } {
  const holds = (finding: Finding) => findingRules[finding].settledBy !== because;
  return { marks: unit.marks.filter(({ kind }) => holds(kind)), found: (unit.found ?? []).filter(holds) };
}
