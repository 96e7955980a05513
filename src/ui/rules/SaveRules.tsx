'use client';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/rules';
import type { useRulesDraft } from './useRulesDraft';

/** Keeps the changed rules as the next version, once it is known what they would change; or drops them. */
export function SaveRules({
  version,
  draft: { changes, looked, save, discard },
  onDiscarded,
}: {
  readonly version: number;
  readonly draft: ReturnType<typeof useRulesDraft>;
  readonly onDiscarded: () => void;
}) {
  const router = useRouter();
  const store = useShopStore();
  const [isBusy, start] = useTransition();
  const keep = () =>
    start(async () => {
      const outcome = await save();
      if (!outcome.ok) return store.show(outcome.refusal);
      store.show(null);
      router.refresh();
    });
  return (
    <>
      <KeyButton
        keyName="u"
        label={words.discard()}
        isEnabled={changes.length > 0}
        onPress={() => {
          discard();
          onDiscarded();
        }}
      />
      <KeyButton
        keyName=" "
        label={words.save({ version })}
        look="action"
        size="wide"
        isEnabled={Boolean(looked?.preview) && !isBusy}
        onPress={keep}
      />
    </>
  );
}
