'use client';
import { money } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { ModelPart } from '@/core/procedure/parts';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/benchLater';
import { rowKeys } from '@/ui/keys/rowKeys';

/** Which of the parts that are still in are to come out. */
export function WantedDialog({
  parts,
  wanted,
  onClose,
  onWanted,
}: {
  readonly parts: readonly ModelPart[];
  readonly wanted: readonly string[];
  readonly onClose: () => void;
  readonly onWanted: (parts: readonly string[]) => void;
}) {
  const [picked, setPicked] = useState(wanted);
  const toggle = (part: string) =>
    setPicked((before) => (before.includes(part) ? before.filter((other) => other !== part) : [...before, part]));
  return (
    <KeyLayer>
      <Dialog title={words.whichPartsDoYouStill()} onClose={onClose}>
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="8px" mb="14px">
          {parts.map(({ id, name, valueCents }, index) => (
            <KeyButton
              records
              key={id}
              keyName={keys[index]}
              label={words.leave2({ isIncludesId: picked.includes(id) ? 'yes' : 'no', name })}
              look={picked.includes(id) ? 'action' : 'outline'}
              justifyContent="flex-start"
              aria-pressed={picked.includes(id)}
              onPress={() => toggle(id)}
            >
              {picked.includes(id) ? '✓' : '–'} {name} {valueCents ? money(valueCents.B) : ''}
            </KeyButton>
          ))}
        </Box>
        <KeyButton
          records
          keyName=" "
          label={words.noMorePartsEndSheet({ picked: picked.length })}
          look="action"
          onPress={() => {
            onWanted(picked);
            onClose();
          }}
        />
      </Dialog>
    </KeyLayer>
  );
}

const keys = rowKeys();
