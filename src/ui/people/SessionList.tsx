'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { WorkBench } from '@/core/people/benches';
import type { Refusal } from '@/core/shared/outcome';
import type { ShownSession } from '@/services/people/readPeople';
import { Button } from '@/ui/base/Button';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Section } from '@/ui/base/Section';
import { send } from '@/ui/server/send';
import { moment } from '@/words/format';
import * as words from '@/words/catalogue/people';

/** Who is signed in, where and since when; each can be signed out from here. */
export function SessionList({
  sessions,
  benches,
}: {
  readonly sessions: readonly ShownSession[];
  readonly benches: readonly WorkBench[];
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const end = (id: string) =>
    start(async () => {
      const outcome = await send('DELETE', `/api/sessions/${id}`);
      // Over already is what was wanted.
      setRefusal(outcome.ok || outcome.refusal.reason === 'not-found' ? null : outcome.refusal);
      router.refresh();
    });
  return (
    <Section title={words.signedInNow()} note={words.signedInCount({ count: sessions.length })} mt="26px">
      <ul>
        {sessions.map(({ id, name, bench, address, beganAt, seenAt }) => (
          <Box
            as="li"
            key={id}
            display="flex"
            alignItems="center"
            gap="12px"
            minH="52px"
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Box flex="1" minW="0">
              <Box textStyle="list" fontWeight="600">
                {words.personAtBench({ name, bench: benches.find((each) => each.id === bench)?.name ?? bench })}
              </Box>
              <Box textStyle="note" color="inkMuted" truncate>
                {words.sessionSays({ began: moment(beganAt), seen: moment(seenAt), address })}
              </Box>
            </Box>
            <Button size="small" disabled={isBusy} aria-label={words.signOutPerson({ name })} onClick={() => end(id)}>
              {words.signOut()}
            </Button>
          </Box>
        ))}
      </ul>
      <RefusalAlert refusal={refusal} />
    </Section>
  );
}
