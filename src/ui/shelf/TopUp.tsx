'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Part } from '@/core/entities/entities';
import { cellDue } from '@/core/shelf/cellDue';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { readNumber } from '@/words/say/readNumber';
import { tenths } from '@/words/format';
import * as texts from '@/words/catalogue/shelf';

/** The voltage at which a cell rests after it was charged to where it keeps best: when it is due again follows from it. */
export function TopUp({
  part,
  onDone,
  onClose,
}: {
  readonly part: Part;
  readonly onDone: (restVolt: number) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const volt = readNumber(typed);
  const isRight = volt !== undefined && volt >= 0.5 && volt <= 60;
  const due = isRight
    ? cellDue({ ...part, storedAt: new Date().toISOString(), cell: { ...part.cell, restVolt: volt } })
    : null;
  return (
    <KeyLayer>
      <Dialog title={texts.topUpTitle({ tag: part.tag })} onClose={onClose}>
        <Caution tone="waiting" what={texts.beforeTopUp()}>
          {texts.topUpCaution()}
        </Caution>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (isRight) onDone(volt);
          }}
        >
          <Field label={texts.restVolt()}>
            <Input
              autoFocus
              w="120px"
              inputMode="decimal"
              autoComplete="off"
              value={typed}
              aria-invalid={(typed !== '' && !isRight) || undefined}
              onChange={({ currentTarget: { value } }) => setTyped(value)}
            />
          </Field>
          <Box minH="28px" pt="8px" textStyle="note" color={due?.keeping === 'right' ? 'sound' : 'inkMuted'}>
            {due && texts.keepsFor({ days: due.days, keeping: due.keeping, volt: tenths(due.voltEach ?? 0) })}
          </Box>
          <Button type="submit" look="action" mt="8px" disabled={!isRight}>
            {texts.toppedUp()}
          </Button>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
