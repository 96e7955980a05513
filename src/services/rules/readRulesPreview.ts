import type { Knex } from 'knex';
import { stocked } from '@/core/entities/stages';
import { previewRules, type RulesPreview } from '@/core/rules/previewRules';
import type { EditableRules } from '@/core/rules/ruleFields';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { partKinds } from '@/data/models/partKinds';
import { partsAt } from '@/data/parts/partRepository';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { waitingAtTriage } from '@/data/triage/waitingAtTriage';

/** What other rules would change for the units at triage and the parts on the shelf now. Nothing is saved. */
export async function readRulesPreview(db: Knex, rules: EditableRules, now: Date): Promise<RulesPreview> {
  const [waiting, ground, today, parts, kinds] = await Promise.all([
    waitingAtTriage(db, now),
    knowledgeGround(db, now),
    currentRules(db),
    partsAt(db, stocked),
    partKinds(db, now),
  ]);
  const shelved = parts.flatMap((part) => {
    const kind = kinds[`${part.modelId}/${part.partRef}`];
    return kind ? [{ part, name: `${kind.modelName} ${kind.name}`, valueCents: kind.valueCents }] : [];
  });
  return previewRules({ waiting, ground, rules: today }, { ...rules, version: today.version }, shelved);
}
