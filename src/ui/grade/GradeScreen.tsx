'use client';
import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { Part } from '@/core/bench/entities';
import type { GradeView } from '@/services/grade/readGrade';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Queue } from '@/ui/base/Queue';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { sayCount } from '@/ui/words/amounts';
import { GradeOnePart } from './GradeOnePart';

/** How good is it, by measure? One part after the other. */
export function GradeScreen({ view, first }: { readonly view: GradeView; readonly first: string | undefined }) {
  const seeds = useMemo(() => ({ models: [], parts: view.parts }), [view.parts]);
  const shop = useShop(seeds);
  const waiting = shop.parts.filter(({ place }) => place === 'grade');
  const { chosen, choose } = useChosen(
    waiting.map(({ id }) => id),
    view.parts.find(({ tag }) => tag === first)?.id,
  );
  const part = waiting.find(({ id }) => id === chosen);
  const kindOf = ({ modelId, partRef }: Part) =>
    view.kinds[`${modelId}/${partRef}`] ?? { name: partRef, modelName: '', handling: '', valueCents: {} };
  return (
    <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: '220px minmax(0, 1fr)' }} minH="calc(100vh - 84px)">
      <Queue
        label="Parts to grade"
        title={`${sayCount(waiting.length, 'part')} to grade`}
        entries={waiting.map((entry) => ({ id: entry.id, tag: entry.tag, words: kindOf(entry).name }))}
        chosen={chosen}
        onChoose={choose}
      />
      {part ? (
        <GradeOnePart
          key={part.id}
          part={part}
          kind={kindOf(part)}
          from={view.unitTags[part.unitId] ?? ''}
          shop={shop}
        />
      ) : (
        <Box p="28px">
          <Headline lead="Parts come here as they are freed at the bench.">No part waits for its grade</Headline>
          <Nothing>Put away what was graded: the Shelf says which bin.</Nothing>
          <KeyButton keyName="u" label="Take the last grade back" onPress={() => void shop.takeBack()} />
        </Box>
      )}
    </Box>
  );
}
