import type { Part } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import { gradeByRead } from '@/core/grading/gradePart';
import type { Model } from '@/core/procedure/model';
import type { Grade } from '@/core/shared/grades';
import type { GradingRules } from '@/core/shared/gradingRules';
import type { HouseRules } from '@/core/shared/houseRules';
import { knowledgeFor, type Subject } from '@/core/triage/knowledge';
import { valueDispositions } from '@/core/triage/proposeDisposition';
import { shopKnowledge, type KnowledgeGround } from '@/core/triage/shopKnowledge';

/** A unit that waits for a decision, with its model. */
export interface Waiting {
  readonly tag: string;
  readonly model: Model;
  readonly unit: Subject;
}

/** A part that lies on the shelf, with what it is called and what each grade of it is worth. */
export interface Shelved {
  readonly part: Pick<Part, 'tag' | 'category' | 'interchange' | 'reuse' | 'readings' | 'findings' | 'grade'>;
  readonly name: string;
  readonly valueCents: Readonly<Record<string, number>>;
}

/** What is proposed for a unit, and what it is worth so, in cents. */
export interface Proposed {
  readonly disposition: Disposition;
  readonly cents: number;
}

export interface ProposalsPreview {
  /** Units whose proposal would be another. */
  readonly turns: readonly { readonly tag: string; readonly from: Proposed; readonly to: Proposed }[];
  /** Units that were valued. */
  readonly units: number;
  /** What they are worth together by the rules of today, and by the others. */
  readonly fromCents: number;
  readonly toCents: number;
}

export interface RulesPreview extends ProposalsPreview {
  readonly shelf: {
    /** Parts that would be graded otherwise by what was read off them. */
    readonly turns: readonly {
      readonly tag: string;
      readonly name: string;
      readonly from: Grade;
      readonly to: Grade;
    }[];
    /** What the shelf would be worth more, by the values of its grades. */
    readonly cents: number;
  };
}

/** What proposals are made from: the units that wait, what the shop knows, and by which rules. */
export interface ProposalGround {
  readonly waiting: readonly Waiting[];
  readonly ground: KnowledgeGround;
  readonly rules: HouseRules;
}

/**
 * What other rules would change: for the units that wait at triage, and for the grades of what lies on the shelf. What was
 * decided or graded before stays as it is.
 */
export const previewRules = (before: ProposalGround, to: HouseRules, shelved: readonly Shelved[]): RulesPreview => ({
  ...previewProposals(before, { ...before, rules: to }),
  shelf: previewShelf(before.rules, to, shelved),
});

/** Which parts on the shelf would be graded otherwise, tag by tag, and what the shelf would be worth more. */
export function previewShelf(
  today: GradingRules,
  to: GradingRules,
  shelved: readonly Shelved[],
): RulesPreview['shelf'] {
  const turns = shelved.flatMap(({ part, name, valueCents }) => {
    const was = gradeByRead(part, part.readings, today);
    const will = gradeByRead(part, part.readings, to);
    // What was graded by yet other limits is not touched by this change.
    if (!was || !will || part.grade === null || was.grade === will.grade) return [];
    const cents = (valueCents[will.grade] ?? 0) - (valueCents[part.grade] ?? 0);
    return [{ tag: part.tag, name, from: part.grade, to: will.grade, cents }];
  });
  return {
    turns: turns.map(({ cents: _, ...turn }) => turn),
    cents: turns.reduce((sum, { cents }) => sum + cents, 0),
  };
}

/**
 * What is proposed for the same units from two grounds: by other rules, or at other prices.
 *
 * @param after  with the same units, in the same order
 */
export function previewProposals(before: ProposalGround, after: ProposalGround): ProposalsPreview {
  const [from, to] = [before, after].map(proposalsOf) as [readonly Proposed[], readonly Proposed[]];
  const sum = (all: readonly Proposed[]) => all.reduce((total, { cents }) => total + cents, 0);
  const turns = before.waiting.flatMap(({ tag }, at) => {
    const [was, will] = [from[at], to[at]];
    return was && will && was.disposition !== will.disposition ? [{ tag, from: was, to: will }] : [];
  });
  return { turns, units: before.waiting.length, fromCents: sum(from), toCents: sum(to) };
}

function proposalsOf({ waiting, ground, rules }: ProposalGround): readonly Proposed[] {
  const known = shopKnowledge(ground, rules);
  return waiting.map(({ model, unit }): Proposed => {
    const [best] = valueDispositions(model, unit, knowledgeFor(known, model.id), rules).valued;
    return { disposition: best?.disposition ?? 'quarantine', cents: best?.cents ?? 0 };
  });
}
