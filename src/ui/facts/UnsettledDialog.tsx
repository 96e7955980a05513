'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { BenchEvent } from '@/core/bench/events';
import { subjectKinds } from '@/core/bench/events';
import type { Refusal } from '@/core/shared/outcome';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { useRefresher } from '@/ui/live/useRefresher';
import { capital } from '@/ui/words/amounts';
import { eventNames } from '@/ui/words/names';
import { sayRefusal } from '@/ui/words/sentences';
import { useSettle } from './ShopProvider';
import type { Unsettled } from './unsettledFacts';

/** Facts of this bench that were not taken, one after the other: said again as things stand now, or left with a note. */
export function UnsettledDialog({
  facts,
  onClose,
}: {
  readonly facts: readonly Unsettled[];
  readonly onClose: () => void;
}) {
  const settle = useSettle();
  const { news } = useRefresher();
  const [said, setSaid] = useState<string | null>(null);
  const [first] = facts;
  if (!first) return null;
  const { event, refusal } = first;
  const finish = async (next: BenchEvent) => {
    const answer = await sayAgain(next);
    if (answer) return setSaid(sayRefusal(answer));
    settle(event.id);
    setSaid(null);
    news();
    if (facts.length === 1) onClose();
  };
  const leave = () => {
    if (subjectKinds[event.type] !== 'unit') {
      settle(event.id);
      return facts.length === 1 ? onClose() : undefined;
    }
    const text = `Not taken and left: ${eventNames[event.type]}, ${sayRefusal(refusal)}`.slice(0, 500);
    void finish({ ...event, type: 'note-written', payload: { stepId: null, text } });
  };
  return (
    <KeyLayer>
      <Dialog
        title={facts.length === 1 ? 'One fact was not taken' : `${facts.length} facts were not taken`}
        onClose={onClose}
      >
        <Box maxW="620px" mb="14px">
          <Box textStyle="lead">
            {capital(eventNames[event.type])}, {event.at.slice(0, 10)} {event.at.slice(11, 16)} UTC
          </Box>
          <Box textStyle="note" color="inkMuted">
            {detailOf(event)}
          </Box>
          <Box mt="8px">{sayRefusal(refusal)}</Box>
        </Box>
        <Box display="grid" gap="8px">
          <KeyButton
            keyName=" "
            label="Look at it as it is now, and say it again"
            look="action"
            size="bench"
            onPress={() => void finish(event)}
          />
          <KeyButton keyName="l" label="Leave it: keep a note with the unit" look="outline" onPress={leave} />
        </Box>
        <Box role="status" minH="24px" mt="8px" color="danger">
          {said}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

/** Posts a fact over the version that stands now. Null when it was taken. */
async function sayAgain(event: BenchEvent): Promise<Refusal | null> {
  const response = await fetch('/api/events/again', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ event: { ...event, id: makeId() } }),
  }).catch(() => null);
  if (!response) return { reason: 'server-away', facts: {} };
  if (response.ok) return null;
  return ((await response.json()) as { refusal: Refusal }).refusal;
}

/** The words of a fact that tell it from others. */
const detailOf = ({ payload }: BenchEvent): string =>
  Object.values(payload as Record<string, unknown>)
    .filter((value) => typeof value === 'string' && !/^[0-9a-f-]{36}$/.test(value))
    .join(', ')
    .replaceAll('-', ' ');
