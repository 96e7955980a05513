'use client';
import { useEffect, useState } from 'react';
import type { GradeCents } from '@/core/prices/priceList';
import type { ProposalsPreview } from '@/core/rules/previewRules';
import type { Refusal } from '@/core/shared/outcome';
import { send } from '@/ui/server/send';
import type { PricedThing, PricesView } from '@/services/prices/readPrices';

const settleMs = 300;

/** What stands for a thing in maps: the unit itself has no part. */
export const keyOf = ({ partRef }: Pick<PricedThing, 'partRef'>): string => partRef ?? '';

export interface PricesLooked {
  readonly preview: ProposalsPreview | null;
  readonly refusal: Refusal | null;
}

const isSame = (one: GradeCents, other: GradeCents): boolean =>
  one.A === other.A && one.B === other.B && one.C === other.C && one.D === other.D;

/** Prices being changed: what differs from today's, and what that would change, asked whenever the hand rests. */
export function usePricesDraft({ chosen, things, today }: PricesView) {
  const [draft, setDraft] = useState<Readonly<Record<string, GradeCents>>>({});
  const [fromDay, setFromDay] = useState(today);
  const [looked, setLooked] = useState<PricesLooked | null>(null);
  const changed = things.filter((thing) => {
    const cents = draft[keyOf(thing)];
    return cents !== undefined && !isSame(cents, thing.cents);
  });
  const document = {
    modelId: chosen,
    fromDay,
    prices: changed.map((thing) => ({ partRef: thing.partRef, cents: draft[keyOf(thing)] })),
  };
  const asked = changed.length > 0 && fromDay !== '' ? JSON.stringify(document) : null;
  useEffect(() => {
    if (asked === null) return;
    let isOver = false;
    const timer = setTimeout(() => {
      void send<ProposalsPreview>('POST', '/api/prices/preview', JSON.parse(asked) as object).then((outcome) => {
        if (isOver) return;
        setLooked(outcome.ok ? { preview: outcome.value, refusal: null } : { preview: null, refusal: outcome.refusal });
      });
    }, settleMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [asked]);
  return {
    draft,
    changed,
    fromDay,
    looked: asked === null ? null : looked,
    change: (thing: PricedThing, cents: GradeCents) => {
      setLooked(null);
      setDraft((before) => ({ ...before, [keyOf(thing)]: cents }));
    },
    begin: (day: string) => {
      setLooked(null);
      setFromDay(day);
    },
    discard: () => setDraft({}),
    save: () => send<{ set: number }>('POST', '/api/prices', document),
  };
}
