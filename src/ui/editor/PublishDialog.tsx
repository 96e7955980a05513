'use client';
import { Box } from '@chakra-ui/react';
import { useState, type FormEvent } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { atFault } from '@/ui/base/atFault';
import { Refused } from '@/ui/base/Refused';
import * as words from '@/words/catalogue/editor';

/** A version needs a note of what is new; units that are under way keep the one they were planned with. */
export function PublishDialog({
  onPublish,
  onClose,
}: {
  readonly onPublish: (note: string) => Promise<Refusal | null>;
  readonly onClose: () => void;
}) {
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (note.trim().length >= 3) setRefusal(await onPublish(note.trim()));
  };
  return (
    <Dialog title={words.publishThisVersion()} onClose={onClose}>
      <form onSubmit={(event) => void submit(event)}>
        <Field label={words.whatNew()}>
          <Input
            {...atFault(refusal, 'note')}
            value={note}
            maxLength={200}
            autoFocus
            autoComplete="off"
            onChange={(event) => setNote(event.currentTarget.value)}
          />
        </Field>
        {refusal && (
          <Caution what={words.notPublished()}>
            <Refused refusal={refusal} />
          </Caution>
        )}
        <Box mt="14px">
          <Button type="submit" look="action" size="wide" disabled={note.trim().length < 3}>
            <KeyCap name="Enter" />
            {words.publish()}
          </Button>
        </Box>
      </form>
    </Dialog>
  );
}
