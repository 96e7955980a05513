'use client';
import { useEffect, useState } from 'react';
import type { Outcome, Refusal } from '@/core/shared/outcome';
import { send } from './send';

const settleMs = 300;

/** What the server says that a change would do; one of the two is null. */
export interface LookedAt<P> {
  readonly preview: P | null;
  readonly refusal: Refusal | null;
}

/**
 * Asks the server what a document would change, whenever the hand rests. An answer counts for the document that was asked
 * about, and for no other.
 *
 * @param document  null while nothing is changed
 * @returns null while nothing is changed or the answer is on its way
 */
export function useLookedAt<P>(path: string, document: object | null): LookedAt<P> | null {
  const [looked, setLooked] = useState<(LookedAt<P> & { readonly asked: string }) | null>(null);
  const asked = document && JSON.stringify(document);
  useEffect(() => {
    if (asked === null) return undefined;
    let isOver = false;
    const timer = setTimeout(() => {
      void send<P>('POST', path, JSON.parse(asked) as object).then((outcome: Outcome<P>) => {
        if (isOver) return;
        const said = outcome.ok
          ? { preview: outcome.value, refusal: null }
          : { preview: null, refusal: outcome.refusal };
        setLooked({ asked, ...said });
      });
    }, settleMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [path, asked]);
  return looked?.asked === asked ? looked : null;
}
