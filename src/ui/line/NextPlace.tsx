'use client';
import { useRouter } from 'next/navigation';
import type { LineStage } from '@/core/entities/stages';
import { KeyButton } from '@/ui/keys/KeyButton';
import { lineStageNames } from '@/words/say/names';
import * as words from '@/words/catalogue/line';

/** Where to go from an empty screen: the stage that fills it. */
export function NextPlace({ stage }: { readonly stage: LineStage }) {
  const router = useRouter();
  return (
    <KeyButton
      keyName=" "
      label={words.goToStage({ stage: lineStageNames[stage] })}
      look="action"
      onPress={() => router.push(`/${stage}`)}
    />
  );
}
