'use client';
import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState, useSyncExternalStore } from 'react';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import { useShopStore } from './ShopProvider';

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
  const { notice, queueState, unsettled, keptAt } = store;
  const { away, waiting, isUnkept } = queueState;
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
          <Caution tone="waiting" what={`${sayCount(waiting, 'fact')} to send.`}>
            {sayRefusal(away)}
          </Caution>
        </Box>
      )}
      {keptAt !== null && (
        <Box maxW="760px" pointerEvents="auto">
          <Caution tone="waiting" what="The server does not answer.">
            This page is as it was at {new Date(keptAt).toTimeString().slice(0, 5)}, with what you did here since. Go
            on: {waiting > 0 ? `${sayCount(waiting, 'fact')} to send, kept in this browser.` : 'it is kept.'}
          </Caution>
        </Box>
      )}
      {isUnkept && (
        <Box maxW="760px" pointerEvents="auto">
          <Caution what="This browser keeps no copy.">
            Its storage is full or closed: leave the page open until everything is sent.
          </Caution>
        </Box>
      )}
      {unsettled.length > 0 && (
        <Box maxW="760px" pointerEvents="auto" display="flex" alignItems="stretch">
          <Caution tone="waiting" what={`${sayCount(unsettled.length, 'fact')} of this bench not taken.`}>
            Kept here until you settle {unsettled.length === 1 ? 'it' : 'them'}.
          </Caution>
          <KeyButton keyName="F2" label="Settle" look="outline" bg="sheet" onPress={() => setLooking(true)} />
        </Box>
      )}
      {notice && (
        <Box maxW="760px" pointerEvents="auto" display="flex" alignItems="stretch" key={notice.key}>
          <Caution what="Not done.">{sayRefusal(notice.refusal)}</Caution>
          <KeyButton keyName="Escape" label="Close this" look="danger" bg="sheet" onPress={() => store.show(null)} />
        </Box>
      )}
      {isLooking && unsettled.length > 0 && (
        <Box pointerEvents="auto">
          <UnsettledDialog facts={unsettled} onClose={() => setLooking(false)} />
        </Box>
      )}
    </Box>
  );
}
