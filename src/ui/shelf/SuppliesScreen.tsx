'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { SupplyRecord, SupplyWord } from '@/core/supplies/stockOf';
import type { SuppliesView, SupplyRow } from '@/services/supplies/readSupplies';
import { Figures } from '@/ui/base/Figures';
import { Headline } from '@/ui/base/Headline';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Nothing } from '@/ui/base/Nothing';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Row } from '@/ui/base/Row';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { send } from '@/ui/server/send';
import { list, tenths } from '@/words/format';
import { supplyName } from '@/words/say/supplyNames';
import * as texts from '@/words/catalogue/supplies';
import { ShelfPages } from './ShelfPages';
import { SayOfSupply } from './SayOfSupply';

const tones: Readonly<Record<SupplyRow['standing'], string>> = {
  order: 'danger',
  count: 'waiting',
  enough: 'sound',
  unused: 'inkMuted',
};

/** What sheets use up: how much of it there should be, when to order, and how that was worked out. */
export function SuppliesScreen({ view }: { readonly view: SuppliesView }) {
  const router = useRouter();
  const { chosen, choose } = useChosen(view.rows.map(({ supply }) => supply.key));
  const { shown, ...more } = useGrowing(view.rows, ({ supply }) => supply.key === chosen);
  const [asking, setAsking] = useState<SupplyWord['says'] | null>(null);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const row = view.rows.find(({ supply }) => supply.key === chosen);
  const say = async (word: SupplyWord) => {
    setAsking(null);
    if (!row) return;
    const { key, version: expects } = row.record;
    const outcome = await send<SupplyRecord>('PUT', '/api/supplies', { key, expects, word });
    setRefused(outcome.ok ? null : outcome.refusal);
    router.refresh();
  };
  const count = (standing: SupplyRow['standing']) => view.rows.filter((own) => own.standing === standing).length;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 290px', xl: 'minmax(0, 1fr) 336px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p={{ base: '16px', md: '18px 24px' }} minW="0">
        <ShelfPages />
        <Headline lead={texts.lead({ days: view.watchedDays })}>
          {texts.answer({ order: count('order'), uncounted: count('count') })}
        </Headline>
        <RefusalAlert refusal={refused} />
        {view.rows.length === 0 ? (
          <Nothing>{texts.noneUsed()}</Nothing>
        ) : (
          <Box as="ul">
            {shown.map((own) => {
              const isChosen = own.supply.key === chosen;
              return (
                <Row
                  key={own.supply.key}
                  state={isChosen ? 'chosen' : 'plain'}
                  press="yes"
                  minH="50px"
                  aria-current={isChosen}
                  onClick={() => choose(own.supply.key)}
                >
                  <Box flex="1" minW="0">
                    {supplyName(own.supply)}
                    <Box textStyle="caption" color="inkMuted">
                      {list(own.models)}
                    </Box>
                  </Box>
                  <Box
                    w="110px"
                    textAlign="end"
                    textStyle="note"
                    color="inkMuted"
                    display={{ base: 'none', sm: 'block' }}
                  >
                    {texts.perWeek({ week: tenths(own.usedPerWeek) })}
                  </Box>
                  <Box w="90px" textAlign="end" fontWeight="700">
                    {own.onHand === null ? texts.unknown() : `${own.onHand}`}
                  </Box>
                  <Box w="170px" textAlign="end" color={tones[own.standing]} fontWeight="600">
                    {texts.standing({ standing: own.standing, line: own.line })}
                  </Box>
                </Row>
              );
            })}
          </Box>
        )}
        <MoreRows {...more} />
      </Box>
      <SidePanel>
        {row && (
          <Box position={{ lg: 'sticky' }} top="12px" display="grid" gap="14px">
            <Box textStyle="section">{supplyName(row.supply)}</Box>
            <Worked row={row} days={view.watchedDays} />
            <KeyButton
              records
              keyName="c"
              look={row.onHand === null ? 'action' : undefined}
              label={texts.count()}
              onPress={() => setAsking('counted')}
            />
            {row.onHand !== null && (
              <KeyButton
                records
                keyName="i"
                look={row.standing === 'order' ? 'action' : undefined}
                label={texts.someCame()}
                onPress={() => setAsking('received')}
              />
            )}
            <KeyButton records keyName="d" size="small" label={texts.leadDays()} onPress={() => setAsking('lead')} />
          </Box>
        )}
      </SidePanel>
      {asking && row && (
        <SayOfSupply row={row} says={asking} onSay={(word) => void say(word)} onClose={() => setAsking(null)} />
      )}
    </Box>
  );
}

function Worked({ row, days }: { readonly row: SupplyRow; readonly days: number }) {
  const { record, onHand, used, usedPerWeek, expected, line, usedSinceCount } = row;
  const lines: readonly (readonly [string, string])[] = [
    [
      texts.shouldBe(),
      onHand === null
        ? texts.countFirst()
        : texts.shouldBeSays({
            counted: record.counted ?? 0,
            received: record.received,
            used: usedSinceCount,
            left: onHand,
          }),
    ],
    [texts.usedBySheets(), texts.usedSays({ used, days, week: tenths(usedPerWeek) })],
    [texts.takesToCome(), texts.daysSays({ days: record.leadDays })],
    [texts.meanwhile(), texts.meanwhileSays({ expected: tenths(expected) })],
    [texts.orderAt(), used === 0 ? texts.noLine() : texts.orderAtSays({ line })],
    ...(record.countedAt
      ? [[texts.countedOn(), texts.countedDay({ day: record.countedAt.slice(0, 10) })] as const]
      : []),
  ];
  return <Figures lines={lines} />;
}
