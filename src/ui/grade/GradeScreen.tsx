'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { conditionedAt } from '@/core/battery/conditioning';
import type { Part } from '@/core/entities/entities';
import type { GradeView } from '@/services/grade/readGrade';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Queue } from '@/ui/base/Queue';
import { useShop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useOwnTags } from '@/ui/keys/KeysProvider';
import { useShopMinute } from '@/ui/timers/useSecond';
import { clock } from '@/words/format';
import { Blind, type Looked } from './Blind';
import { GradeOnePart } from './GradeOnePart';
import * as texts from '@/words/catalogue/grade';

/** How good is it, by measure? One part after the other. */
export function GradeScreen({ view, first }: { readonly view: GradeView; readonly first: string | undefined }) {
  const seeds = useMemo(() => ({ models: [], parts: [...view.parts, ...view.blind] }), [view.parts, view.blind]);
  const shop = useShop(seeds);
  // One that is graded again lies elsewhere, until it has its new grade.
  const again = view.parts.find(({ tag, place }) => tag === first && place !== 'grade');
  const minute = useShopMinute();
  const toGrade = shop.parts.filter(
    ({ id, place, version }) => place === 'grade' || (id === again?.id && version === again.version),
  );
  // What is still on its charger comes last.
  const isCharging = ({ conditioning }: Part) =>
    conditioning !== undefined && minute * 60_000 < conditionedAt(conditioning);
  const waiting = [...toGrade.filter((own) => !isCharging(own)), ...toGrade.filter(isCharging)];
  // One that was looked at since the page came is done.
  const blind = view.blind.flatMap(({ id }) => {
    const now = shop.parts.find((each) => each.id === id);
    return now && !now.secondLook && now.place === 'shelf' ? [now] : [];
  });
  const router = useRouter();
  const [looked, setLooked] = useState<Looked | null>(null);
  const { chosen, choose } = useChosenThing(
    [...waiting, ...blind].map(({ id }) => id),
    view.parts.find(({ tag }) => tag === first)?.id,
  );
  // A part’s label takes it in hand; one that does not wait here opens its own page.
  useOwnTags((tag) => {
    const found = waiting.find((own) => own.tag === tag);
    if (found) choose(found.id);
    return found !== undefined;
  });
  const part = [...waiting, ...blind].find(({ id }) => id === chosen);
  const isBlind = part !== undefined && blind.includes(part);
  const kindOf = ({ modelId, partRef }: Part) =>
    view.kinds[`${modelId}/${partRef}`] ?? { name: partRef, modelName: '', handling: '', valueCents: {} };
  const sayEntry = (entry: Part) => {
    const { name } = kindOf(entry);
    return entry.conditioning && isCharging(entry)
      ? texts.onChargerUntil({ name, done: clock(new Date(conditionedAt(entry.conditioning)).toISOString()) })
      : name;
  };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '180px minmax(0, 1fr)', xl: '220px minmax(0, 1fr)' }}
      minH="calc(100vh - 84px)"
    >
      <Queue
        label={texts.partsToGrade()}
        title={texts.partToGrade({ waiting: waiting.length })}
        entries={waiting.map((entry) => ({ id: entry.id, tag: entry.tag, words: sayEntry(entry) }))}
        chosen={chosen}
        onChoose={choose}
      >
        <Box p="14px">
          <KeyButton
            records
            keyName="i"
            label={texts.toInstruments()}
            size="small"
            onPress={() => router.push('/instruments')}
          />
        </Box>
        <Blind {...{ blind, kindOf, chosen, looked }} onChoose={choose} />
      </Queue>
      {part ? (
        <GradeOnePart
          key={`${part.id} ${isBlind}`}
          part={part}
          kind={kindOf(part)}
          from={view.unitTags[part.unitId] ?? ''}
          gauge={{ over: view.gauges[part.modelId] ?? [] }}
          shop={shop}
          {...(isBlind && {
            onLooked: (grade, limiting) =>
              setLooked({ tag: part.tag, first: part.grade, firstBy: part.limiting, grade, limiting }),
          })}
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
