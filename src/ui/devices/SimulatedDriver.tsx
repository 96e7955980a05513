'use client';
import { Box } from '@chakra-ui/react';
import type { TorqueNewtonCm } from '@/core/procedure/joints';
import { KeyButton } from '@/ui/keys/KeyButton';
import { deviceChannel } from './deviceChannel';
import * as words from '@/words/catalogue/devices';

/** A torque driver that is not there: each key is one screw, turned well, too far, or slipping. */
export function SimulatedDriver({ torque }: { readonly torque: TorqueNewtonCm }) {
  const turn = (newtonCm: number) => () => {
    const channel = new BroadcastChannel(deviceChannel);
    channel.postMessage({
      device: 'torque-driver',
      newtonCm: Math.round(newtonCm * 10) / 10,
      at: new Date().toISOString(),
    });
    channel.close();
  };
  return (
    <Box display="flex" gap="8px" alignItems="center" flexWrap="wrap" textStyle="note" color="inkMuted">
      {words.simulatedDriver()}
      <KeyButton keyName="7" label={words.onTarget()} size="small" onPress={turn(torque.aim)} />
      <KeyButton keyName="8" label={words.tooTight()} size="small" onPress={turn(torque.high * 1.3)} />
      <KeyButton keyName="9" label={words.slips()} size="small" onPress={turn(torque.low * 0.5)} />
    </Box>
  );
}
