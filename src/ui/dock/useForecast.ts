'use client';
import { useEffect, useState } from 'react';
import { send } from '@/ui/server/send';
import type { ForecastGround } from '@/services/dock/readForecastGround';
import type { ForecastAnswer } from '@/workers/forecast/forecastWorker';

/** What was done here a moment ago may not have come to the server yet: asked again so often, after so long. */
const tries = 20;
const pauseMs = 300;

/**
 * What a parcel is expected to give, computed beside the page; null until it is known.
 *
 * @param version  of the parcel as it is seen here
 * @param tagged   units that were tagged from it
 */
export function useForecast(
  parcelId: string,
  version: number,
  tagged: number,
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
      const ground = () =>
        send<ForecastGround | null>('GET', `/api/parcels/${parcelId}/forecast`, undefined, calledOff.signal);
      let answer = await ground();
      for (let left = tries; left > 0 && answer.ok && isBehind(answer.value, version); left -= 1) {
        await new Promise((resolve) => setTimeout(resolve, pauseMs));
        if (calledOff.signal.aborted) return;
        answer = await ground();
      }
      if (calledOff.signal.aborted) return;
      if (!answer.ok || answer.value === null) return fail();
      worker = new Worker(new URL('../../workers/forecast/forecastWorker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('message', ({ data }: MessageEvent<ForecastAnswer>) =>
        setState({ forecast: data, hasFailed: false }),
      );
      worker.addEventListener('error', fail);
      worker.postMessage(answer.value);
    };
    ask().catch(fail);
    return () => {
      calledOff.abort();
      worker?.terminate();
    };
  }, [parcelId, version, tagged]);
  return state;
}

/** A parcel that was made here a moment ago may not be there at all yet. */
const isBehind = (ground: ForecastGround | null, version: number): boolean =>
  ground === null || ground.version < version;
