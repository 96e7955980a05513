'use client';
import { useMayRecord } from '@/ui/people/MayRecord';
import { send } from '@/ui/server/send';
import { useEffect, useRef } from 'react';

const renewMs = 45_000;

/**
 * Takes the unit that is shown in hand, and keeps it there. Says when somebody else turned out to have it; while the server
 * is away nobody is held up.
 */
export function useHold(unitId: string | undefined, onTaken: (unitId: string) => void): void {
  const latest = useRef(onTaken);
  // Who only looks takes nothing in hand.
  const mayRecord = useMayRecord();
  useEffect(() => {
    latest.current = onTaken;
  });
  useEffect(() => {
    if (unitId === undefined || !mayRecord) return;
    const calledOff = new AbortController();
    const ask = async () => {
      const path = `/api/units/${unitId}/hold`;
      const held = await send<{ isMine: boolean }>('POST', path, undefined, calledOff.signal);
      if (held.ok && !held.value.isMine) latest.current(unitId);
    };
    void ask();
    const timer = setInterval(() => void ask(), renewMs);
    return () => {
      calledOff.abort();
      clearInterval(timer);
    };
  }, [unitId, mayRecord]);
}
