'use client';
import { useEffect, useState } from 'react';
import { send } from '@/ui/server/send';
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
      const path = `/api/parcels/${parcelId}/forecast`;
      const ground = await send<ForecastQuestion>('GET', path, undefined, calledOff.signal);
      if (calledOff.signal.aborted) return;
      if (!ground.ok) return fail();
      worker = new Worker(new URL('../../workers/forecast/forecastWorker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('message', ({ data }: MessageEvent<ForecastAnswer>) =>
        setState({ forecast: data, hasFailed: false }),
      );
      worker.addEventListener('error', fail);
      worker.postMessage(ground.value);
    };
    ask().catch(fail);
    return () => {
      calledOff.abort();
      worker?.terminate();
    };
  }, [parcelId, version]);
  return state;
}
