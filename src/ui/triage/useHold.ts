'use client';
import { useEffect, useRef } from 'react';

const renewMs = 45_000;

/**
 * Takes the unit that is shown in hand, and keeps it there. Says when somebody else turned out to have it; while the server
 * is away nobody is held up.
 */
export function useHold(unitId: string | undefined, onTaken: (unitId: string) => void): void {
  const latest = useRef(onTaken);
  useEffect(() => {
    latest.current = onTaken;
  });
  useEffect(() => {
    if (unitId === undefined) return;
    const calledOff = new AbortController();
    const ask = async () => {
      const response = await fetch(`/api/units/${unitId}/hold`, { method: 'POST', signal: calledOff.signal });
      if (response.ok && !((await response.json()) as { isMine: boolean }).isMine) latest.current(unitId);
    };
    const quietly = () => void ask().catch(() => undefined);
    quietly();
    const timer = setInterval(quietly, renewMs);
    return () => {
      calledOff.abort();
      clearInterval(timer);
    };
  }, [unitId]);
}
