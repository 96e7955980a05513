import { boundPartner } from '@/core/procedure/boundPartner';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes } from '../attendedMinutes';
import { chooseOperations } from '../chooseOperations';
import { sequenceOf, type OrderGround, type SetUpRules } from '../order/sequenceOf';
import { expectedResistance, type ExpectedResistance } from '../policy/expectedResistance';
import { learnedOdds, type ResistanceCount } from '../policy/learnedOdds';
import type { Prize } from '../worth/payingParts';
import type { SavedMove } from '../worth/savedMoves';
import { sparedBy } from '../worth/sparedBy';
import type { PlanProblem } from './planProblem';

/** A part that can bring something, and what is known of it. */
export interface WorthPart {
  readonly part: string;
  /** What a sound one brings, in cents. */
  readonly soundCents: number;
  /** Chance that it comes out sound. */
  readonly chance: number;
  /** From units that were taken apart: what its own way does to it is in the chance already. */
  readonly isSeen: boolean;
}

export interface PlanSituation extends OrderGround {
  /** By the house's schools. */
  readonly model: Model;
  /** All operations of the situation that are not done yet. */
  readonly operations: readonly Operation[];
  /** False for operations that exist but must not be done. */
  readonly isAllowed: (operation: Operation) => boolean;
  /** How the joints of this model have resisted so far. */
  readonly resistances?: readonly ResistanceCount[];
}

export interface PlanAsked {
  readonly worths: readonly WorthPart[];
  readonly saved: readonly SavedMove[];
  /** The parts whose worth is a reason for a step; all of them when left out. */
  readonly counted?: readonly string[];
  /** Parts that must be freed. */
  readonly wanted: readonly string[];
}

export interface NumberedPlan {
  readonly problem: PlanProblem;
  readonly parts: readonly string[];
  readonly chances: readonly number[];
  /** Per operation, how its joint may resist; null where it has no ladder. */
  readonly resists: readonly (ExpectedResistance | null)[];
}

export type PlanRules = SetUpRules & Pick<HouseRules, 'labourCentsPerMinute' | 'handOverMinutes'>;

/**
 * A unit and what its parts would bring as the problem that `bestPlan` solves.
 *
 * The chance of a part that was seen before is taken back to what it was before its own way; that of one that was not is
 * what it is in the unit. From there each plan's own way counts, whichever it is.
 *
 * @returns the problem, the parts that its numbers stand for, and the chance that each is sound before anything is opened, and
 *   how joints resist
 */
export function planProblemOf(
  situation: PlanSituation,
  { worths, saved, counted, wanted }: PlanAsked,
  rules: PlanRules,
): NumberedPlan {
  const { model, operations, isAllowed } = situation;
  const parts = [
    ...new Set([
      ...worths.map(({ part }) => part),
      ...wanted,
      ...saved.flatMap(({ assembly, part }) => [assembly, part]),
    ]),
  ];
  const numberOf = new Map(parts.map((part, at) => [part, at]));
  const numbers = (names: readonly string[]) => names.flatMap((name) => numberOf.get(name) ?? []);
  const resists = resistancesOf(situation, rules);
  const sequence = sequenceOf(operations, situation, rules);
  const inUnit = new Map(worths.map((known) => [known.part, inTheUnit(known, situation)]));
  const chanceOf = (part: string) => inUnit.get(part) ?? 1;
  return {
    parts,
    chances: parts.map(chanceOf),
    resists,
    problem: {
      sequence: {
        ...sequence,
        operations: sequence.operations.map((own, at) => ({
          ...own,
          minutes: Math.max(0, own.minutes + (resists[at]?.minutes ?? 0)),
        })),
      },
      centsPerMinute: rules.labourCentsPerMinute,
      operations: operations.map((operation, at) => ({
        cents: resists[at]?.cents ?? 0,
        yields: resists[at]?.yields ?? 1,
        isBarred: !isAllowed(operation),
        frees: numbers(operation.frees),
        risks: (operation.risks ?? []).flatMap(({ part, chance }) => {
          const number = numberOf.get(part);
          return number === undefined ? [] : [{ part: number, chance }];
        }),
      })),
      partCount: parts.length,
      prizes: prizesOf(model, worths, chanceOf).flatMap(({ names, cents }) =>
        !counted || names.some((name) => counted.includes(name)) ? [{ parts: numbers(names), cents }] : [],
      ),
      carried: saved.map(({ assembly, part, cents }) => ({
        assembly: numberOf.get(assembly) as number,
        part: numberOf.get(part) as number,
        cents: cents * chanceOf(assembly) * chanceOf(part),
      })),
      wanted: numbers(wanted),
    },
  };
}

/** Parts that bring something by themselves, and pairs that do only together: then both must be sound. */
function prizesOf(model: Model, worths: readonly WorthPart[], chanceOf: (part: string) => number) {
  const byPart = new Map(worths.map((known) => [known.part, known]));
  const partnerOf = (part: string) => byPart.get(boundPartner(model, part) ?? '');
  return worths.flatMap(({ part, soundCents }) => {
    const partner = partnerOf(part);
    if (!partner) return [{ names: [part], cents: soundCents * chanceOf(part) }];
    if (partner.part < part) return [];
    const cents = (soundCents + partner.soundCents) * chanceOf(part) * chanceOf(partner.part);
    return [{ names: [part, partner.part], cents }];
  });
}

/** The same parts for the choice alone, where changes of set-up cost nothing. */
export const prizesOfChoice = (model: Model, worths: readonly WorthPart[]): readonly Prize[] =>
  worths.map(({ part, soundCents, chance }) => {
    const partner = boundPartner(model, part);
    const isThere = worths.some((other) => other.part === partner);
    return { part, soundCents, chance, ...(isThere && partner !== null && { boundTo: partner }) };
  });

/**
 * Chance that a part is sound before anything is opened. The log counts parts that came out, or broke on the way: what
 * breaks them is in its share, what was left in behind a joint that did not yield is not.
 */
function inTheUnit({ part, chance, isSeen }: WorthPart, { operations, isAllowed, findings }: PlanSituation): number {
  const isAtRisk = operations.some(({ risks = [] }) => risks.some((risk) => risk.part === part));
  if (!isSeen || chance === 0 || !isAtRisk) return chance;
  const way = chooseOperations(operations, [part], (operation) => expectedMinutes(operation, findings), isAllowed);
  if (!way.ok) return chance;
  const own = new Set(way.value.ids);
  const spared = sparedBy(
    operations.filter(({ id }) => own.has(id)),
    part,
  );
  return spared > 0 ? Math.min(1, chance / spared) : 0;
}

/** How each joint may resist. */
const resistancesOf = (
  { model, operations, findings, resistances = [] }: PlanSituation,
  rules: PlanRules,
): readonly (ExpectedResistance | null)[] =>
  operations.map((operation) =>
    operation.ladder
      ? expectedResistance(operation, findings, learnedOdds(model, resistances, operation), rules)
      : null,
  );
