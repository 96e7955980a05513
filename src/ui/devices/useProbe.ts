'use client';
import { useEffect, useState } from 'react';
import type { ProbeReading } from '@/core/heat/fitCoupling';
import { deviceChannel, isPlausible, readMessage } from './deviceChannel';

/** Readings kept: an hour of one a second. */
const mostReadings = 3600;

export interface Probe {
  /** Since the heater came on, without those that cannot be. */
  readonly readings: readonly ProbeReading[];
  /** The last reading that cannot be, if the probe has said nothing better since. */
  readonly broken: number | null;
}

const silent: Probe = { readings: [], broken: null };

/** What the surface probe of this bench has read since a moment; nothing while there is none. */
export function useProbe(sinceMs: number | null): Probe {
  const [heard, setHeard] = useState<{ readonly since: number | null; readonly probe: Probe }>({
    since: null,
    probe: silent,
  });
  useEffect(() => {
    if (sinceMs === null) return;
    const channel = new BroadcastChannel(deviceChannel);
    channel.onmessage = ({ data }) => {
      const message = readMessage(data);
      if (message?.device !== 'surface-probe') return;
      const seconds = (Date.parse(message.at) - sinceMs) / 1000;
      if (seconds <= 0) return;
      setHeard((before) => {
        const { readings } = before.since === sinceMs ? before.probe : silent;
        const probe = isPlausible(message.celsius)
          ? { readings: [...readings, { seconds, celsius: message.celsius }].slice(-mostReadings), broken: null }
          : { readings, broken: message.celsius };
        return { since: sinceMs, probe };
      });
    };
    return () => channel.close();
  }, [sinceMs]);
  return heard.since === sinceMs ? heard.probe : silent;
}
