'use client';
import { useEffect, useState } from 'react';
import type { ForecastAnswer, ForecastQuestion } from '@/workers/forecast/forecastWorker';

/** What a parcel is expected to give, computed beside the page; null until it is known. */
export function useForecast(
  parcelId: string,
  version: number,
): { readonly forecast: ForecastAnswer | null; readonly hasFailed: boolean } {
  const [state, setState] = useState<{ forecast: ForecastAnswer | null; hasFailed: boolean }>({
    forecast: null,
    hasFailed: false,
  });
  useEffect(() => {
    const calledOff = new AbortController();
    let worker: Worker | null = null;
    const fail = () => !calledOff.signal.aborted && setState((before) => ({ ...before, hasFailed: true }));
    const ask = async () => {
      const response = await fetch(`/api/parcels/${parcelId}/forecast`, { signal: calledOff.signal });
      if (!response.ok) return fail();
      const ground = (await response.json()) as ForecastQuestion;
      if (calledOff.signal.aborted) return;
      worker = new Worker(new URL('../../workers/forecast/forecastWorker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('message', ({ data }: MessageEvent<ForecastAnswer>) =>
        setState({ forecast: data, hasFailed: false }),
      );
      worker.addEventListener('error', fail);
      worker.postMessage(ground);
    };
    ask().catch(fail);
    return () => {
      calledOff.abort();
      worker?.terminate();
    };
  }, [parcelId, version]);
  return state;
}
