'use client';
import { useEffect, useRef } from 'react';
import { deviceChannel, readMessage } from './deviceChannel';

/** Hears the torque driver of this bench: one call a screw. */
export function useTorque(onReading: (newtonCm: number) => void): void {
  const latest = useRef(onReading);
  useEffect(() => {
    latest.current = onReading;
  });
  useEffect(() => {
    const channel = new BroadcastChannel(deviceChannel);
    channel.onmessage = ({ data }) => {
      const message = readMessage(data);
      if (message?.device !== 'torque-driver') return;
      if (Number.isFinite(message.newtonCm) && message.newtonCm >= 0) latest.current(message.newtonCm);
    };
    return () => channel.close();
  }, []);
}
