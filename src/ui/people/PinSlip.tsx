'use client';
import { Box } from '@chakra-ui/react';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/people';

/** A PIN that was just made, and whose it is. */
export interface NewPin {
  readonly name: string;
  readonly pin: string;
}

/** A PIN, large enough to be read across the desk, until it was seen. */
export function PinSlip({ name, pin, onSeen }: NewPin & { readonly onSeen: () => void }) {
  return (
    <>
      <Box borderWidth="2px" borderColor="twine" borderRadius="soft" p="20px" aria-live="polite">
        <Box textStyle="section">{words.pinOf({ name })}</Box>
        <Box fontFamily="mono" fontSize="44px" letterSpacing="0.14em">
          {pin}
        </Box>
        <Box textStyle="note" color="inkMuted">
          {words.pinOnce()}
        </Box>
      </Box>
      <Box mt="auto" display="grid">
        <KeyButton keyName=" " label={words.pinNoted()} look="action" size="wide" onPress={onSeen} />
      </Box>
    </>
  );
}
