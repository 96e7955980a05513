'use client';
import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { Part } from '@/core/entities/entities';
import type { GradeView } from '@/services/grade/readGrade';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Queue } from '@/ui/base/Queue';
import { useShop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { GradeOnePart } from './GradeOnePart';
import * as texts from '@/words/catalogue/grade';

/** How good is it, by measure? One part after the other. */
export function GradeScreen({ view, first }: { readonly view: GradeView; readonly first: string | undefined }) {
  const seeds = useMemo(() => ({ models: [], parts: view.parts }), [view.parts]);
  const shop = useShop(seeds);
  // One that is graded again lies elsewhere, until it has its new grade.
  const again = view.parts.find(({ tag, place }) => tag === first && place !== 'grade');
  const waiting = shop.parts.filter(
    ({ id, place, version }) => place === 'grade' || (id === again?.id && version === again.version),
  );
  const { chosen, choose } = useChosenThing(
    waiting.map(({ id }) => id),
    view.parts.find(({ tag }) => tag === first)?.id,
  );
  const part = waiting.find(({ id }) => id === chosen);
  const kindOf = ({ modelId, partRef }: Part) =>
    view.kinds[`${modelId}/${partRef}`] ?? { name: partRef, modelName: '', handling: '', valueCents: {} };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '180px minmax(0, 1fr)', xl: '220px minmax(0, 1fr)' }}
      minH="calc(100vh - 84px)"
    >
      <Queue
        label={texts.partsToGrade()}
        title={texts.partToGrade({ waiting: waiting.length })}
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
          <Headline lead={texts.partsAppearHereWhenThey()}>{texts.noPartsToGrade()}</Headline>
          <Nothing>{texts.putGradedPartsAwayShelf()}</Nothing>
          <Box display="flex" gap="10px">
            <NextPlace stage="shelf" />
            <NextPlace stage="teardown" isMain={false} />
            <KeyButton records keyName="u" label={texts.undoLastGrade()} onPress={() => void shop.takeBack()} />
          </Box>
        </Box>
      )}
    </Box>
  );
}
