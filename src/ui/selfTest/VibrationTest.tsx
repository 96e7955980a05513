'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { SelfRead } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import * as texts from '@/words/catalogue/selfTest';
import { kindNames } from './kindNames';
import { feelShaking } from './shaking';
import { UnitPage } from './UnitPage';

const runMs = 1000;

/** The motor runs, and the unit's own sensor or a hand feels it. */
export function VibrationTest({
  onRead,
  onLeave,
}: {
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const [state, setState] = useState<'waiting' | 'running' | 'asked'>('waiting');
  const canRun = typeof navigator !== 'undefined' && 'vibrate' in navigator;
  const run = async () => {
    setState('running');
    const rest = await feelShaking(runMs / 2);
    navigator.vibrate(runMs);
    const shaken = await feelShaking(runMs);
    if (rest === null || shaken === null) return setState('asked');
    const shake = Math.round(Math.max(0, shaken - rest) * 100) / 100;
    return onRead({ is: 'vibration', shake, byHand: null });
  };
  const say = (byHand: 'strong' | 'weak' | 'nothing') => onRead({ is: 'vibration', shake: null, byHand });
  return (
    <UnitPage title={kindNames.vibration} lead={canRun ? texts.holdIt() : texts.cannotVibrate()}>
      <Box display="grid" gap="12px">
        {canRun && (
          <Button
            look={state === 'asked' ? 'quiet' : 'action'}
            size="wide"
            disabled={state === 'running'}
            onClick={() => void run()}
          >
            {texts.vibrate()}
          </Button>
        )}
        {state === 'asked' && (
          <>
            <Box textStyle="figure">{texts.howDidItShake()}</Box>
            <Button look="sound" size="wide" onClick={() => say('strong')}>
              {texts.shakeStrong()}
            </Button>
            <Button size="wide" onClick={() => say('weak')}>
              {texts.shakeWeak()}
            </Button>
            <Button look="fault" size="wide" onClick={() => say('nothing')}>
              {texts.shakeNothing()}
            </Button>
          </>
        )}
        <Button onClick={onLeave}>{texts.back()}</Button>
      </Box>
    </UnitPage>
  );
}
