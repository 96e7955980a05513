'use client';
import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState, useSyncExternalStore } from 'react';
import { parseTag } from '@/core/shared/tags';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import { Refused } from '@/ui/base/Refused';
import { useShopStore } from './ShopProvider';
import * as words from '@/words/catalogue/facts';

/** Seldom needed, and so not part of every screen's first load. */
const UnsettledDialog = dynamic(() => import('./UnsettledDialog').then((module) => module.UnsettledDialog), {
  ssr: false,
});

/** What the shop has to say: a fact that was refused, or facts that wait for the server. */
export function NoticeBar() {
  // The store changes inside: only its version tells, which the compiler cannot know.
  'use no memo';
  const store = useShopStore();
  useSyncExternalStore(store.subscribe, store.snapshot, () => 0);
  const { notice, outbox, keptAt, leftByOthers } = store;
  const { away, isUnkept, rejected } = outbox;
  const waiting = outbox.waiting.length;
  const [isLooking, setLooking] = useState(false);
  return (
    <Box
      position="fixed"
      insetInline="0"
      bottom="80px"
      zIndex="10"
      display="flex"
      flexDirection="column"
      alignItems="center"
      gap="8px"
      pointerEvents="none"
      role="status"
      aria-live="polite"
      data-waiting={waiting}
    >
      {away && keptAt === null && (
        <Box maxW="760px" pointerEvents="auto" boxShadow="0 2px 0 0 var(--chakra-colors-waiting)">
          <Caution tone="waiting" what={words.factToSend({ waiting })}>
            <Refused refusal={away} />
          </Caution>
        </Box>
      )}
      {keptAt !== null && (
        <Box maxW="760px" pointerEvents="auto">
          <Caution tone="waiting" what={words.serverDoesNotAnswer()}>
            {words.thisPageAsWasAt({
              toTimeString: new Date(keptAt).toTimeString().slice(0, 5),
              itIsKept: waiting > 0 ? words.factToSendKeptIn({ waiting }) : words.kept(),
            })}
          </Caution>
        </Box>
      )}
      {leftByOthers.map(({ name, count }) => (
        <Box key={name} maxW="760px" pointerEvents="auto">
          <Caution tone="waiting" what={words.leftByOthers({ name, count })}>
            {words.waitForThem()}
          </Caution>
        </Box>
      ))}
      {isUnkept && (
        <Box maxW="760px" pointerEvents="auto">
          <Caution what={words.thisBrowserKeepsNoCopy()}>{words.itsStorageFullOrBlocked()}</Caution>
        </Box>
      )}
      {rejected.length > 0 && (
        <Box maxW="760px" pointerEvents="auto" display="flex" alignItems="stretch">
          <Caution tone="waiting" what={words.factFromThisBenchRejected({ unsettled: rejected.length })}>
            {words.keptHereUntilYouSettle({ unsettled: rejected.length })}
          </Caution>
          <KeyButton keyName="F2" label={words.settle()} look="outline" bg="sheet" onPress={() => setLooking(true)} />
        </Box>
      )}
      {notice && (
        <Box maxW="760px" pointerEvents="auto" display="flex" alignItems="stretch" key={notice.key}>
          <Caution what={words.notDone()}>
            <Refused refusal={notice.refusal} /> <ThingLink tag={notice.refusal.values.tag} />
          </Caution>
          <KeyButton keyName="Escape" label={words.close()} look="danger" bg="sheet" onPress={() => store.show(null)} />
        </Box>
      )}
      {isLooking && rejected.length > 0 && (
        <Box pointerEvents="auto">
          <UnsettledDialog facts={rejected} onClose={() => setLooking(false)} />
        </Box>
      )}
    </Box>
  );
}

/** The way to what a refusal speaks of, where it has a tag. */
function ThingLink({ tag }: { readonly tag: unknown }) {
  const parsed = typeof tag === 'string' ? parseTag(tag) : undefined;
  return parsed ? (
    <Link href={`/t/${parsed.tag}`} prefetch={false}>
      <Box as="span" textDecoration="underline" whiteSpace="nowrap">
        {words.open({ tag: parsed.tag })}
      </Box>
    </Link>
  ) : null;
}
