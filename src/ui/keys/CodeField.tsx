'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { KeyButton } from './KeyButton';
import { KeyLayer, useKey } from './KeysProvider';
import * as words from '@/words/catalogue/keys';

const digits = [...'0123456789'];

/**
 * What can be scanned can be typed: `s` or the first digit opens a field for it, and while that is open no letter of a slow
 * hand is a command. It stays open for the next code until Escape.
 */
export function CodeField({ label, onCode }: { readonly label: string; readonly onCode: (code: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <>
      <KeyButton records keyName="s" label={label} onPress={() => setTyped('')} />
      {digits.map((digit) => (
        <DigitKey key={digit} digit={digit} onPress={setTyped} />
      ))}
      {typed !== null && (
        <KeyLayer>
          <Dialog title={label} onClose={() => setTyped(null)}>
            <Box
              as="form"
              display="flex"
              gap="10px"
              onSubmit={(event) => {
                event.preventDefault();
                if (typed.trim() === '') return;
                onCode(typed.trim());
                setTyped('');
              }}
            >
              <Input
                aria-label={label}
                autoFocus
                autoComplete="off"
                maxLength={60}
                fontFamily="mono"
                fontSize="20px"
                value={typed}
                onChange={({ currentTarget: { value } }) => setTyped(value)}
                onFocus={({ currentTarget }) =>
                  currentTarget.setSelectionRange(currentTarget.value.length, currentTarget.value.length)
                }
              />
              <Button type="submit" look="action" whiteSpace="nowrap" flexShrink={0}>
                <KeyCap name="Enter" /> {words.takeCode()}
              </Button>
            </Box>
            <Box mt="10px" textStyle="note" color="inkMuted">
              {words.codeFieldSays()}
            </Box>
          </Dialog>
        </KeyLayer>
      )}
    </>
  );
}

function DigitKey({ digit, onPress }: { readonly digit: string; readonly onPress: (digit: string) => void }) {
  useKey(digit, '', () => onPress(digit));
  return null;
}
