import type { Disposition } from '@/core/entities/stages';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { knowledgeFor, type Subject } from '@/core/triage/knowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { shopKnowledge, type KnowledgeGround } from '@/core/triage/shopKnowledge';

/** A unit that waits for a decision, with its model. */
export interface Waiting {
  readonly tag: string;
  readonly model: Model;
  readonly unit: Subject;
}

/** What is proposed for a unit, and what it is worth so, in cents. */
export interface Proposed {
  readonly disposition: Disposition;
  readonly cents: number;
}

export interface RulesPreview {
  /** Units whose proposal would be another. */
  readonly turns: readonly { readonly tag: string; readonly from: Proposed; readonly to: Proposed }[];
  /** Units that were valued. */
  readonly units: number;
  /** What they are worth together by the rules of today, and by the others. */
  readonly fromCents: number;
  readonly toCents: number;
}

/** What other rules would change for the units that wait at triage. What was decided before stays as it is. */
export function previewRules(
  waiting: readonly Waiting[],
  ground: KnowledgeGround,
  from: HouseRules,
  to: HouseRules,
): RulesPreview {
  const by = (rules: HouseRules) => {
    const known = shopKnowledge(ground, rules);
    return waiting.map(({ model, unit }): Proposed => {
      const [best] = proposeDisposition(model, unit, knowledgeFor(known, model.id), rules).valued;
      return { disposition: best?.disposition ?? 'quarantine', cents: best?.cents ?? 0 };
    });
  };
  const [before, after] = [by(from), by(to)];
  const sum = (all: readonly Proposed[]) => all.reduce((total, { cents }) => total + cents, 0);
  const turns = waiting.flatMap(({ tag }, at) => {
    const [was, will] = [before[at], after[at]];
    return was && will && was.disposition !== will.disposition ? [{ tag, from: was, to: will }] : [];
  });
  return { turns, units: waiting.length, fromCents: sum(before), toCents: sum(after) };
}
