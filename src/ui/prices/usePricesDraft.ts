'use client';
import { useState } from 'react';
import type { GradeCents } from '@/core/prices/priceList';
import type { ProposalsPreview } from '@/core/rules/previewRules';
import { saleGrades } from '@/core/shared/grades';
import type { PricedThing, PricesView } from '@/services/prices/readPrices';
import { send } from '@/ui/server/send';
import { useLookedAt } from '@/ui/server/useLookedAt';

/** What stands for a thing in maps: the unit itself has no part. */
export const keyOf = ({ partRef }: Pick<PricedThing, 'partRef'>): string => partRef ?? '';

const isSame = (one: GradeCents, other: GradeCents): boolean =>
  saleGrades.every((grade) => one[grade] === other[grade]);

/** Prices being changed: what differs from today's, and what that would change, asked whenever the hand rests. */
export function usePricesDraft({ chosen, things, today }: PricesView) {
  const [draft, setDraft] = useState<Readonly<Record<string, GradeCents>>>({});
  const [fromDay, setFromDay] = useState(today);
  const changed = things.filter((thing) => {
    const cents = draft[keyOf(thing)];
    return cents !== undefined && !isSame(cents, thing.cents);
  });
  const document = {
    modelId: chosen,
    fromDay,
    prices: changed.map((thing) => ({ partRef: thing.partRef, cents: draft[keyOf(thing)] })),
  };
  const isAsked = changed.length > 0 && fromDay !== '';
  return {
    draft,
    changed,
    fromDay,
    looked: useLookedAt<ProposalsPreview>('/api/prices/preview', isAsked ? document : null),
    change: (thing: PricedThing, cents: GradeCents) => setDraft((before) => ({ ...before, [keyOf(thing)]: cents })),
    begin: setFromDay,
    discard: () => setDraft({}),
    save: () => send<{ set: number }>('POST', '/api/prices', document),
  };
}
