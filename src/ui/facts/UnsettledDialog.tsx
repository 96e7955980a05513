'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Fact } from '@/core/shop/facts';
import { definitions } from '@/core/shop/facts';
import type { Refusal } from '@/core/shared/outcome';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { useRefresher } from '@/ui/live/useRefresher';
import { namedIn } from '@/core/shop/namedIn';
import { moment } from '@/words/format';
import { sayFact } from '@/words/say/sayFact';
import { Refused } from '@/ui/base/Refused';
import { sayRefusal } from '@/words/say/sentences';
import { useSettle } from './ShopProvider';
import { send } from '@/ui/server/send';
import type { Rejected } from '@/ui/server/outbox';
import * as words from '@/words/catalogue/facts';

/** Facts of this bench that were not taken, one after the other: said again as things stand now, or left with a note. */
export function UnsettledDialog({
  facts,
  onClose,
}: {
  readonly facts: readonly Rejected<Fact>[];
  readonly onClose: () => void;
}) {
  const settle = useSettle();
  const { news } = useRefresher();
  const [said, setSaid] = useState<string | null>(null);
  const [first] = facts;
  if (!first) return null;
  const { letter: fact, refusal } = first;
  const sentence = sayFact(fact, namedIn(undefined, fact.payload));
  const finish = async (next: Fact) => {
    const answer = await sayAgain(next);
    if (answer) return setSaid(sayRefusal(answer));
    settle(fact.id);
    setSaid(null);
    news();
    if (facts.length === 1) onClose();
  };
  const leave = () => {
    if (definitions[fact.type].subject !== 'unit') {
      settle(fact.id);
      return facts.length === 1 ? onClose() : undefined;
    }
    const text = words.rejectedAndLeft({ fact: sentence, refusal: sayRefusal(refusal) }).slice(0, 500);
    void finish({ ...fact, type: 'note-written', payload: { stepId: null, text } });
  };
  return (
    <KeyLayer>
      <Dialog
        title={facts.length === 1 ? words.oneFactWasRejected() : words.factsWereRejected({ facts: facts.length })}
        onClose={onClose}
      >
        <Box maxW="620px" mb="14px">
          <Box textStyle="lead">
            {sentence} · {moment(fact.at)}
          </Box>
          <Box mt="8px">
            <Refused refusal={refusal} />
          </Box>
        </Box>
        <Box display="grid" gap="8px">
          <KeyButton
            keyName=" "
            label={words.checkAsNowAndSend()}
            look="action"
            size="bench"
            onPress={() => void finish(fact)}
          />
          <KeyButton keyName="l" label={words.leaveAndKeepNote()} look="outline" onPress={leave} />
        </Box>
        <Box role="status" minH="24px" mt="8px" color="danger">
          {said}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

/** Posts a fact over the version that stands now. Null when it was taken. */
async function sayAgain(fact: Fact): Promise<Refusal | null> {
  const outcome = await send('POST', '/api/facts/again', { fact: { ...fact, id: makeId() } });
  return outcome.ok ? null : outcome.refusal;
}
