'use client';
import { useState } from 'react';
import type { RulesPreview } from '@/core/rules/previewRules';
import { ruleChanges, type EditableRules } from '@/core/rules/ruleFields';
import { houseRulesFormat, type HouseRules } from '@/core/shared/houseRules';
import type { Outcome } from '@/core/shared/outcome';
import { send } from '@/ui/server/send';
import { useLookedAt } from '@/ui/server/useLookedAt';

const previewPath = '/api/rules/preview';

const documentOf = (rules: EditableRules) => ({ format: houseRulesFormat, ...rules });

/** Asks what a document would change: the server alone reads it whole. */
export const lookAt = (document: object): Promise<Outcome<RulesPreview>> =>
  send<RulesPreview>('POST', previewPath, { document });

/** Rules being changed: what is different from today's, and what that would change, asked whenever the hand rests. */
export function useRulesDraft(today: HouseRules) {
  const { version, ...standing } = today;
  const [draft, setDraft] = useState<EditableRules>(standing);
  const changes = ruleChanges(standing, draft);
  const document = { document: documentOf(draft) };
  const looked = useLookedAt<RulesPreview>(previewPath, changes.length > 0 ? document : null);
  const save = (): Promise<Outcome<{ version: number }>> =>
    send<{ version: number }>('PUT', '/api/rules', { ...document, expects: version });
  return { draft, changes, looked, change: setDraft, save, discard: () => setDraft(standing) };
}
