'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import * as words from '@/words/catalogue/editor';

const Text = chakra('textarea', {
  base: {
    w: '640px',
    maxW: '100%',
    h: '46vh',
    p: '10px',
    fontFamily: 'mono',
    fontSize: '14px',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'inkMuted',
  },
});

/** A piece of the document as it is written, for what has no field of its own. Its shape is looked at before it is taken. */
export function JsonDialog({
  title,
  value,
  onTake,
  onClose,
}: {
  readonly title: string;
  readonly value: unknown;
  /** Says what is wrong with it, or null when it was taken. */
  readonly onTake: (value: unknown) => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState(() => JSON.stringify(value, null, 2));
  const [fault, setFault] = useState<string | null>(null);
  const take = async () => {
    let read: unknown;
    try {
      read = JSON.parse(text);
    } catch (error) {
      return setFault(error instanceof Error ? error.message : words.thisNotJson());
    }
    const says = await onTake(read);
    if (says === null) onClose();
    else setFault(says);
  };
  return (
    <Dialog title={title} onClose={onClose}>
      <Text
        aria-label={words.document()}
        spellCheck={false}
        value={text}
        autoFocus
        onChange={(event) => setText(event.currentTarget.value)}
      />
      {fault && <Caution what={words.rejected()}>{words.whatYouWroteStillHere({ fault })}</Caution>}
      <Box mt="12px">
        <Button look="action" onClick={() => void take()}>
          {words.apply()}
        </Button>
      </Box>
    </Dialog>
  );
}
