import { getModelPart, type Model } from '@/core/procedure/model';
import { transfersOf, type Brought } from '@/core/procedure/transfers';
import type { HouseRules } from '@/core/shared/houseRules';
import { meanMinutes } from '../attendedMinutes';
import { movedBy } from '../sheet/moveSteps';
import type { RunSheet, SheetRequest } from '../sheet/runSheet';
import { planRunSheet } from '../sheet/runSheet';
import { priceOfPart } from './partWorth';

/** A part that moves to the assembly that takes the place of its own. */
export interface Move {
  readonly assembly: string;
  readonly part: string;
  /** Attended, expected. */
  readonly minutes: number;
  /** Chance of breaking it on the way, and what buying another would then cost. */
  readonly breakage: number;
  readonly anotherCents: number;
  /** Expected cents of all that: its minutes, and its breakage. */
  readonly cents: number;
}

/** The moves of a sheet with what each costs. */
export function movesOn(model: Model, { steps }: Pick<RunSheet, 'steps'>, rules: HouseRules): readonly Move[] {
  return steps
    .filter(({ leg }) => leg === 'move')
    .map(({ id, minutes: written }): Move => {
      const { assembly, part } = movedBy(id);
      const breakage = transfersOf(model, assembly, null).find((one) => one.part === part)?.breakage ?? 0;
      const minutes = meanMinutes(written);
      const anotherCents = (priceOfPart(getModelPart(model, part), rules.gradeMix) ?? 0) * rules.purchaseFactor;
      const cents = minutes * rules.labourCentsPerMinute + breakage * anotherCents;
      return { assembly, part, minutes, breakage, anotherCents, cents };
    });
}

export type MovesOf = typeof movesOf;

/**
 * What moves when one assembly is replaced by another: those of its transfer list that no step takes off on the way, unless
 * the new one brings them. Empty for a part that is no assembly.
 *
 * @param carries  what the new one brings; `besides` are slots that get another part in the same go
 * Cost: one run sheet where something can move, none otherwise
 */
export function movesOf(
  model: Model,
  situation: Omit<SheetRequest, 'kind' | 'targets' | 'brought'>,
  assembly: string,
  rules: HouseRules,
  { carries = [], besides = [] }: { readonly carries?: readonly string[]; readonly besides?: readonly string[] } = {},
): readonly Move[] {
  if (transfersOf(model, assembly, situation.configuration).length === 0) return [];
  const brought: readonly Brought[] = carries.map((part) => ({ assembly, part }));
  const sheet = planRunSheet(model, { ...situation, kind: 'rebuild', targets: [assembly, ...besides], brought }, rules);
  return sheet.ok ? movesOn(model, sheet.value, rules).filter((move) => move.assembly === assembly) : [];
}
