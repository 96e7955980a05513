'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/entities/entities';
import { readBinCode } from '@/core/shelf/binCode';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';
import { binFor } from './binFor';

/** A bin that a person names for a part, by typing or scanning it; one that is full or for something else says so. */
export function OtherBin({
  part,
  onStore,
  onClose,
}: {
  readonly part: Part;
  readonly onStore: (bin: string) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const store = async () => {
    const outcome = await binFor(readBinCode(typed) ?? typed, part);
    if (outcome.ok) onStore(outcome.bin);
    else setFault(outcome.fault);
  };
  return (
    <KeyLayer>
      <Dialog title={texts.otherBinFor({ tag: part.tag })} onClose={onClose}>
        <Box
          as="form"
          display="flex"
          gap="12px"
          alignItems="flex-end"
          onSubmit={(event) => {
            event.preventDefault();
            if (typed.trim() !== '') void store();
          }}
        >
          <Field label={texts.bin()}>
            <Input
              autoFocus
              w="140px"
              maxLength={8}
              autoComplete="off"
              autoCapitalize="characters"
              aria-invalid={fault !== null || undefined}
              value={typed}
              onChange={({ currentTarget: { value } }) => {
                setTyped(value);
                setFault(null);
              }}
            />
          </Field>
          <Button type="submit" look="action" disabled={typed.trim() === ''}>
            {texts.storeIn({ bin: typed.trim().toUpperCase() })}
          </Button>
        </Box>
        <Box role="alert" textStyle="note" color="danger" pt="8px" minH="28px">
          {fault}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}
