'use client';
import { useMemo } from 'react';
import { useInstruments } from '@/ui/instruments/useInstruments';
import { deviceChannel } from './deviceChannel';

/** What an instrument of the bench says to the server for a step, said on the browser's own channel, where the step listens. */
export function useBenchInstruments(wish: 'torque' | 'celsius'): void {
  const wants = useMemo(() => [wish], [wish]);
  useInstruments(null, wants, ({ message: { at }, became }) => {
    if (!became.ok || became.value.is !== 'value' || became.value.wish !== wish) return;
    const { value } = became.value;
    const channel = new BroadcastChannel(deviceChannel);
    channel.postMessage(
      wish === 'torque'
        ? { device: 'torque-driver', newtonCm: value, at }
        : { device: 'surface-probe', celsius: value, at },
    );
    channel.close();
  });
}
