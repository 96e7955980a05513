'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import type { OfferedModel } from '@/services/models/readOffered';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/models';
import { list } from '@/words/format';

/** Models that ship with the application and are not in the library: taken in with one press. */
export function OfferedModels({
  offered,
  isFirst,
}: {
  readonly offered: readonly OfferedModel[];
  /** Whether the library is empty: then this is the next thing to do. */
  readonly isFirst: boolean;
}) {
  const router = useRouter();
  const store = useShopStore();
  const [isBusy, start] = useTransition();
  const count = offered.length;
  const take = () =>
    start(async () => {
      const outcome = await send('POST', '/api/models/shipped');
      store.show(outcome.ok ? null : outcome.refusal);
      router.refresh();
    });
  return (
    <Box
      as="section"
      aria-label={words.offered({ count })}
      borderWidth="1px"
      borderColor="twine"
      borderRadius="soft"
      bg="sheet"
      p="16px"
      mb="16px"
      display="flex"
      gap="18px"
      alignItems="center"
    >
      <Box flex="1" minW="0">
        <Box textStyle="section">{words.offered({ count })}</Box>
        <Box textStyle="note" color="inkMuted">
          {words.offeredNames({ names: list(offered.map(({ maker, name }) => `${maker} ${name}`)) })}
        </Box>
      </Box>
      <KeyButton
        keyName={isFirst ? ' ' : 't'}
        label={words.takeIn({ count })}
        look="action"
        isEnabled={!isBusy}
        onPress={take}
      />
    </Box>
  );
}
