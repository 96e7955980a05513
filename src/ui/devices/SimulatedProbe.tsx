'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { temperaturesAt, type HeaterSwitch } from '@/core/heat/fitCoupling';
import type { HeatQuestion } from '@/core/heat/stackOf';
import { shopNow } from '@/ui/server/shopClock';
import { KeyButton } from '@/ui/keys/KeyButton';
import { deviceChannel } from './deviceChannel';
import * as words from '@/words/catalogue/devices';

/** How the simulated surface couples, against what was assumed; a broken probe says what cannot be. */
const kinds = { good: 0.8, hotter: 1.9, broken: 1 } as const;
type Kind = keyof typeof kinds;

/** A surface probe that is not there: it posts a reading a second, as a real one would. */
export function SimulatedProbe({
  question,
  sinceMs,
  switches,
}: {
  readonly question: HeatQuestion;
  readonly sinceMs: number;
  readonly switches: readonly HeaterSwitch[];
}) {
  const [kind, setKind] = useState<Kind | null>(null);
  useEffect(() => {
    if (kind === null) return;
    const channel = new BroadcastChannel(deviceChannel);
    const { stack, heater } = question;
    const real = { ...heater, coupling: heater.coupling * kinds[kind] };
    const timer = setInterval(() => {
      const now = shopNow();
      const seconds = Math.max(0.1, (now - sinceMs) / 1000);
      const [surface = Number.NaN] = temperaturesAt(stack, real, switches, seconds);
      const celsius = kind === 'broken' ? 850 : Math.round((surface + Math.sin(now) * 0.2) * 10) / 10;
      channel.postMessage({ device: 'surface-probe', celsius, at: new Date(now).toISOString() });
    }, 1000);
    return () => {
      clearInterval(timer);
      channel.close();
    };
  }, [kind, question, sinceMs, switches]);
  const choose = (wanted: Kind) => () => setKind((before) => (before === wanted ? null : wanted));
  return (
    <Box display="flex" gap="8px" alignItems="center" flexWrap="wrap" textStyle="note" color="inkMuted">
      {words.simulatedProbe()}
      <KeyButton
        keyName="7"
        label={words.reads()}
        size="small"
        aria-pressed={kind === 'good'}
        onPress={choose('good')}
      />
      <KeyButton
        keyName="8"
        label={words.overheats()}
        size="small"
        aria-pressed={kind === 'hotter'}
        onPress={choose('hotter')}
      />
      <KeyButton
        keyName="9"
        label={words.broken()}
        size="small"
        aria-pressed={kind === 'broken'}
        onPress={choose('broken')}
      />
    </Box>
  );
}
