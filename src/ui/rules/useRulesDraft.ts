'use client';
import { useEffect, useState } from 'react';
import type { RulesPreview } from '@/core/rules/previewRules';
import { ruleChanges, type EditableRules } from '@/core/rules/ruleFields';
import { houseRulesFormat, type HouseRules } from '@/core/shared/houseRules';
import type { Outcome, Refusal } from '@/core/shared/outcome';
import { send } from '@/ui/server/send';

const settleMs = 300;

export interface Looked {
  readonly preview: RulesPreview | null;
  readonly refusal: Refusal | null;
}

const documentOf = (rules: EditableRules) => ({ format: houseRulesFormat, ...rules });

/** Asks what a document would change: the server alone reads it whole. */
export const lookAt = (document: object): Promise<Outcome<RulesPreview>> =>
  send<RulesPreview>('POST', '/api/rules/preview', { document });

/** Rules being changed: what is different from today's, and what that would change, asked whenever the hand rests. */
export function useRulesDraft(today: HouseRules) {
  const { version, ...standing } = today;
  const [draft, setDraft] = useState<EditableRules>(standing);
  const [looked, setLooked] = useState<Looked | null>(null);
  const changes = ruleChanges(standing, draft);
  const asked = changes.length > 0 ? JSON.stringify(documentOf(draft)) : null;
  useEffect(() => {
    if (asked === null) return;
    let isOver = false;
    const timer = setTimeout(() => {
      void lookAt(JSON.parse(asked) as object).then((outcome) => {
        if (!isOver)
          setLooked(
            outcome.ok ? { preview: outcome.value, refusal: null } : { preview: null, refusal: outcome.refusal },
          );
      });
    }, settleMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [asked]);
  const change = (rules: EditableRules) => {
    setLooked(null);
    setDraft(rules);
  };
  const save = (): Promise<Outcome<{ version: number }>> =>
    send<{ version: number }>('PUT', '/api/rules', { document: documentOf(draft), expects: version });
  return { draft, changes, looked: changes.length > 0 ? looked : null, change, save, discard: () => change(standing) };
}
