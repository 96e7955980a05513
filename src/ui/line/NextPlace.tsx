'use client';
import { useRouter } from 'next/navigation';
import type { LineStage } from '@/core/entities/stages';
import { KeyButton } from '@/ui/keys/KeyButton';
import { lineStageNames } from '@/words/say/names';
import * as words from '@/words/catalogue/line';

/** Where to go from an empty screen: the stage that fills it, or the one that goes on with what was done here. */
export function NextPlace({ stage, isMain = true }: { readonly stage: LineStage; readonly isMain?: boolean }) {
  const router = useRouter();
  return (
    <KeyButton
      keyName={isMain ? ' ' : undefined}
      label={words.goToStage({ stage: lineStageNames[stage] })}
      look={isMain ? 'action' : 'outline'}
      onPress={() => router.push(`/${stage}`)}
    />
  );
}
