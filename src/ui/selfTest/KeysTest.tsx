'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { SelfRead } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import * as texts from '@/words/catalogue/selfTest';
import { kindNames } from './kindNames';
import { keyRows, keySign } from './keyRows';
import { UnitPage } from './UnitPage';

/** Every key once; those that do nothing are dead unless this keyboard does not have them. */
export function KeysTest({
  onRead,
  onLeave,
}: {
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const [pressed, setPressed] = useState<ReadonlySet<string>>(new Set());
  const [absent, setAbsent] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // No key does here what it does elsewhere.
      event.preventDefault();
      event.stopPropagation();
      if (/^[A-Za-z0-9]{1,30}$/.test(event.code)) setPressed((before) => new Set([...before, event.code]));
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
  const dead = keyRows.flat().filter((code) => !pressed.has(code) && !absent.has(code));
  const toggle = (code: string) => {
    const next = new Set(absent);
    if (!next.delete(code)) next.add(code);
    setAbsent(next);
  };
  const stateOf = (code: string) => (pressed.has(code) ? 'pressed' : absent.has(code) ? 'absent' : 'open');
  return (
    <UnitPage title={kindNames.keys} lead={texts.pressEveryKey({ pressed: pressed.size })}>
      <Box display="grid" gap="14px">
        <Box textStyle="note" color="inkMuted">
          {texts.keysNotPressed()}
        </Box>
        <Box display="grid" gap="4px" mx={{ md: '-110px' }}>
          {keyRows.map((row) => (
            <Box key={row.join()} display="flex" gap="4px" flexWrap="wrap">
              {row.map((code) => {
                const state = stateOf(code);
                return (
                  <Button
                    key={code}
                    size="small"
                    px="9px"
                    minW="38px"
                    tabIndex={-1}
                    look={state === 'pressed' ? 'sound' : 'quiet'}
                    opacity={state === 'absent' ? 0.35 : 1}
                    aria-label={texts.keyName({ key: keySign(code), state })}
                    disabled={state === 'pressed'}
                    _disabled={{ opacity: 1, cursor: 'default' }}
                    onClick={() => toggle(code)}
                  >
                    {keySign(code)}
                  </Button>
                );
              })}
            </Box>
          ))}
        </Box>
        <Button
          look="action"
          size="wide"
          disabled={pressed.size === 0}
          onClick={() => onRead({ is: 'keys', pressed: pressed.size, dead })}
        >
          {texts.finishKeys({ dead: dead.length })}
        </Button>
        <Button onClick={onLeave}>{texts.back()}</Button>
      </Box>
    </UnitPage>
  );
}
