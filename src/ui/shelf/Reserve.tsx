'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/entities/entities';
import { parseTag } from '@/core/shared/tags';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/shelf';

const mostOffered = 4;

/** For whom a part is kept: a unit that wants one, or anybody. A unit's tag lets that unit have it at Match. */
export function Reserve({
  part,
  wantedBy,
  onReserve,
  onClose,
}: {
  readonly part: Part;
  readonly wantedBy: readonly string[];
  readonly onReserve: (whom: string) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const whom = parseTag(typed)?.tag ?? typed.trim();
  return (
    <KeyLayer>
      <Dialog title={texts.reserveTitle({ tag: part.tag })} onClose={onClose}>
        {wantedBy.length > 0 && (
          <Box display="flex" gap="8px" flexWrap="wrap" mb="14px">
            {wantedBy.slice(0, mostOffered).map((tag, at) => (
              <KeyButton
                key={tag}
                keyName={`${at + 1}`}
                label={texts.forUnit({ tag })}
                onPress={() => onReserve(tag)}
              />
            ))}
          </Box>
        )}
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (whom !== '') onReserve(whom);
          }}
        >
          <Field label={texts.forWhom()}>
            <Input
              autoFocus={wantedBy.length === 0}
              maxLength={60}
              autoComplete="off"
              placeholder={texts.unitOrName()}
              value={typed}
              onChange={({ currentTarget: { value } }) => setTyped(value)}
            />
          </Field>
          <Button type="submit" look="action" mt="14px" disabled={whom === ''}>
            {texts.reserveIt()}
          </Button>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
