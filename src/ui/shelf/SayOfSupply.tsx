'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { SupplyWord } from '@/core/supplies/stockOf';
import type { SupplyRow } from '@/services/supplies/readSupplies';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { readNumber } from '@/words/say/readNumber';
import { supplyName } from '@/words/say/supplyNames';
import * as texts from '@/words/catalogue/supplies';

const most = { counted: 1_000_000, received: 1_000_000, lead: 365 } as const;

/** One figure about a supply; of a count that differs, the reason too. */
export function SayOfSupply({
  row,
  says,
  onSay,
  onClose,
}: {
  readonly row: SupplyRow;
  readonly says: SupplyWord['says'];
  readonly onSay: (word: SupplyWord) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const [because, setBecause] = useState('');
  const figure = readNumber(typed);
  const isRight = figure !== undefined && Number.isInteger(figure) && figure <= most[says];
  const differs = says === 'counted' && isRight && row.onHand !== null && figure !== row.onHand;
  const isReady = isRight && (!differs || because.trim() !== '');
  const send = () => {
    if (!isReady) return;
    if (says === 'counted') onSay({ says, count: figure, because: because.trim() || texts.counted() });
    else if (says === 'received') onSay({ says, count: figure });
    else onSay({ says, days: figure });
  };
  return (
    <KeyLayer>
      <Dialog title={texts.sayTitle({ says, name: supplyName(row.supply) })} onClose={onClose}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            send();
          }}
        >
          <Field label={texts.figureOf({ says })}>
            <Input
              autoFocus
              w="140px"
              inputMode="numeric"
              autoComplete="off"
              maxLength={9}
              value={typed}
              aria-invalid={(typed !== '' && !isRight) || undefined}
              onChange={({ currentTarget: { value } }) => setTyped(value)}
            />
          </Field>
          <Box minH="26px" pt="6px" textStyle="note" color="inkMuted">
            {differs &&
              texts.differs({
                by: Math.abs(figure - (row.onHand ?? 0)),
                isMore: figure > (row.onHand ?? 0) ? 'yes' : 'no',
              })}
          </Box>
          {differs && (
            <Field label={texts.why()}>
              <Input
                maxLength={100}
                autoComplete="off"
                placeholder={texts.whyFor()}
                value={because}
                onChange={({ currentTarget: { value } }) => setBecause(value)}
              />
            </Field>
          )}
          <Button type="submit" look="action" mt="14px" disabled={!isReady}>
            {texts.save()}
          </Button>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
