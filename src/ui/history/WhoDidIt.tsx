'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { HistoryFact, HistoryView } from '@/services/history/readHistory';
import { Dialog } from '@/ui/base/Dialog';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { rowKeys } from '@/ui/keys/rowKeys';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/history';

const keys = rowKeys('');

/** It was recorded under another's sign-in: who did it really. The log keeps the sign-in. */
export function WhoDidIt({
  fact,
  people,
  onClose,
}: {
  readonly fact: HistoryFact['fact'];
  readonly people: HistoryView['people'];
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const choose = (personId: string) =>
    start(async () => {
      const outcome = await send<{ doer: string }>('PUT', `/api/facts/${fact.id}/doer`, { personId });
      if (!outcome.ok) return setRefusal(outcome.refusal);
      onClose();
      router.refresh();
    });
  return (
    <KeyLayer>
      <Dialog title={words.whoDidIt()} onClose={onClose}>
        <Box color="inkMuted" mb="10px">
          {words.signInKept()}
        </Box>
        <Box display="grid" gap="6px">
          {people.map(({ id, name }, at) => (
            <KeyButton
              key={id}
              keyName={keys[at]}
              label={name}
              look={name === fact.person ? 'action' : 'quiet'}
              justifyContent="flex-start"
              isEnabled={!isBusy}
              onPress={() => choose(id)}
            />
          ))}
        </Box>
        <RefusalAlert refusal={refusal} />
      </Dialog>
    </KeyLayer>
  );
}
