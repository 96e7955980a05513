'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { isHeard } from '@/core/selfTest/judgeSelfTest';
import type { SelfRead, SoundRead, Tone } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import * as texts from '@/words/catalogue/selfTest';
import { kindNames } from './kindNames';
import { playSweep, sweepHertz } from './tones';
import { ToneBars } from './ToneBars';
import { UnitPage } from './UnitPage';

/** The speaker plays, the microphone listens, and an ear says how it was. */
export function SoundTest({
  onRead,
  onLeave,
}: {
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const [at, setAt] = useState(0);
  const [tones, setTones] = useState<readonly Tone[] | null>(null);
  const play = async () => {
    setTones(null);
    setTones(await playSweep(setAt).catch(() => []));
    setAt(0);
  };
  const say = (byEar: SoundRead['byEar']) => onRead({ is: 'sound', tones: tones ?? [], byEar });
  return (
    <UnitPage title={kindNames.sound} lead={texts.turnUpVolume()}>
      <Box display="grid" gap="14px">
        <Button look={tones ? 'quiet' : 'action'} size="wide" disabled={at > 0} onClick={() => void play()}>
          {at > 0 ? texts.playing({ at, count: sweepHertz.length }) : texts.playTones()}
        </Button>
        {tones && (
          <>
            {tones.length > 0 ? (
              <Box>
                <ToneBars tones={tones} />
                <Box mt="6px">{texts.tonesHeard({ heard: tones.filter(isHeard).length, count: tones.length })}</Box>
              </Box>
            ) : (
              <Box color="inkMuted">{texts.noMicrophone()}</Box>
            )}
            <Box textStyle="figure">{texts.howDidItSound()}</Box>
            <Button look="sound" size="wide" onClick={() => say('clear')}>
              {texts.soundClear()}
            </Button>
            <Button look="fault" size="wide" onClick={() => say('poor')}>
              {texts.soundPoor()}
            </Button>
            <Button look="fault" size="wide" onClick={() => say('nothing')}>
              {texts.soundNothing()}
            </Button>
          </>
        )}
        <Button onClick={onLeave}>{texts.back()}</Button>
      </Box>
    </UnitPage>
  );
}
