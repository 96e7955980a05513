'use client';
import { useCallback, useEffect, useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { SelfReadsView } from '@/services/selfTest/readSelfReads';
import { send } from '@/ui/server/send';

export interface SelfReads extends SelfReadsView {
  /** Where the unit finds its page; null while none is open. */
  readonly address: { readonly text: string; readonly qr: string } | null;
}

/** While a page is open somebody at the bench waits for it. */
const askedEveryMs = 2000;

/**
 * What a unit read off itself, and its page while one is open.
 *
 * @param part     tag of the part that is read; null for the unit's own tests
 * @param version  of the unit: what it read is asked for again when something was said about it
 */
export function useSelfReads(unitId: string, part: string | null, version: number) {
  const [view, setView] = useState<SelfReads | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const path = `/api/units/${unitId}/self-tests${part === null ? '' : `?part=${part}`}`;
  const ask = useCallback(
    (calledOff?: AbortSignal) =>
      send<SelfReads>('GET', path, undefined, calledOff).then((answer) => {
        if (calledOff?.aborted) return;
        // What cannot be asked now is asked again: nobody pressed anything.
        if (answer.ok) setView(answer.value);
      }),
    [path],
  );
  const isOpen = view?.page != null;
  useEffect(() => {
    const calledOff = new AbortController();
    void ask(calledOff.signal);
    const timer = isOpen ? setInterval(() => void ask(calledOff.signal), askedEveryMs) : undefined;
    return () => {
      clearInterval(timer);
      calledOff.abort();
    };
  }, [ask, isOpen, version]);
  const change = async (method: 'POST' | 'DELETE') => {
    const answer =
      method === 'POST'
        ? await send('POST', '/api/self-tests', { unitId, ...(part !== null && { part }) })
        : await send('DELETE', path);
    setRefusal(answer.ok ? null : answer.refusal);
    await ask();
  };
  return { view, refusal, open: () => void change('POST'), end: () => void change('DELETE') };
}
