'use client';
import { useEffect, useRef } from 'react';
import type { BenchWait, Wish } from '@/core/instruments/landing';
import type { HeardReading } from '@/data/instruments/instrumentReadings';
import { useMayRecord } from '@/ui/people/MayRecord';
import { send } from '@/ui/server/send';

/** A wait is said again so often, so that it holds while the page is open. */
const againMs = 60_000;

/**
 * Says at this bench what the page waits for, and hears what its instruments read. Nothing is asked for by somebody who only
 * looks.
 *
 * @param part   tag of the part in hand; null at a step
 * @param wants  what is wanted first foremost
 */
export function useInstruments(
  part: string | null,
  wants: readonly Wish[],
  onHeard: (heard: HeardReading) => void,
): void {
  const mayRecord = useMayRecord();
  const latest = useRef(onHeard);
  useEffect(() => {
    latest.current = onHeard;
  });
  const wait = JSON.stringify({ part, wants } satisfies BenchWait);
  useEffect(() => {
    if (!mayRecord) return undefined;
    const say = () => void send('PUT', '/api/instruments/wait', wait);
    say();
    const timer = setInterval(say, againMs);
    return () => clearInterval(timer);
  }, [wait, mayRecord]);
  useEffect(() => {
    if (!mayRecord) return undefined;
    const stream = new EventSource('/api/instruments/stream');
    stream.onmessage = ({ data }) => latest.current(JSON.parse(String(data)) as HeardReading);
    return () => stream.close();
  }, [mayRecord]);
}
