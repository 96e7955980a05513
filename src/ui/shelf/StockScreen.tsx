'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { stockRules, type Standing } from '@/core/shelf/standing';
import { shelfAddress, plainQuery } from '@/core/shelf/shelfQuery';
import type { StandingRow, StockView } from '@/services/shelf/readStock';
import { Figures } from '@/ui/base/Figures';
import { Headline } from '@/ui/base/Headline';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { KeyButton } from '@/ui/keys/KeyButton';
import { list, money, tenths } from '@/words/format';
import * as texts from '@/words/catalogue/stock';
import { BookIn } from './BookIn';
import { KeepBack } from './KeepBack';
import { ShelfPages } from './ShelfPages';
import { TopUp } from './TopUp';
import { WhereToBuy } from './WhereToBuy';

const tones: Readonly<Record<Standing, string>> = {
  short: 'danger',
  scarce: 'waiting',
  surplus: 'inkMuted',
  enough: 'sound',
};

/** Stock against demand: what the builds want and the shelf has not, what runs out soon, what lies too long, which cells are due. */
export function StockScreen({ view, mayChange }: { readonly view: StockView; readonly mayChange: boolean }) {
  const { chosen, choose } = useChosen(view.rows.map(({ interchange }) => interchange));
  const { shown, ...more } = useGrowing(view.rows, ({ interchange }) => interchange === chosen);
  const row = view.rows.find(({ interchange }) => interchange === chosen);
  const count = (standing: Standing) => view.rows.filter((own) => own.standing === standing).length;
  const router = useRouter();
  const [isBooking, setBooking] = useState(false);
  const [booked, setBooked] = useState(0);
  const surplusCents = view.rows.reduce((sum, { surplus, valueCents }) => sum + surplus * valueCents, 0);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 290px', xl: 'minmax(0, 1fr) 336px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p={{ base: '16px', md: '18px 24px' }} minW="0">
        <ShelfPages />
        <Headline
          lead={texts.lead({ surplus: count('surplus'), value: money(surplusCents), due: view.dueTotal })}
          aside={<KeyButton records keyName="b" label={texts.bookInBought()} onPress={() => setBooking(true)} />}
        >
          {texts.answer({ short: count('short'), scarce: count('scarce'), builds: view.builds })}
        </Headline>
        {booked > 0 && (
          <Box role="status" color="sound" fontWeight="600" mb="8px">
            {texts.bookedIn({ count: booked })}
          </Box>
        )}
        {view.dueTotal > 0 && <DueCells view={view} />}
        {view.rows.length === 0 ? (
          <Nothing>{texts.nothingYet()}</Nothing>
        ) : (
          <Section title={texts.byClass()} note={texts.watched({ days: stockRules.watchedDays })} mt="14px">
            <Box as="ul">
              {shown.map((own) => (
                <ClassRow
                  key={own.interchange}
                  row={own}
                  isChosen={own.interchange === chosen}
                  onChoose={() => choose(own.interchange)}
                />
              ))}
            </Box>
            <MoreRows {...more} />
          </Section>
        )}
      </Box>
      <SidePanel>
        {row && (
          <Box position={{ lg: 'sticky' }} top="12px" display="grid" gap="18px">
            <Arithmetic row={row} />
            <WhereToBuy
              key={row.interchange}
              interchange={row.interchange}
              name={row.name}
              offers={row.offers}
              mayChange={mayChange}
            />
            <KeepBack
              key={`${row.interchange} stays`}
              interchange={row.interchange}
              name={row.name}
              reserve={row.reserve}
              mayChange={mayChange}
            />
          </Box>
        )}
      </SidePanel>
      {isBooking && (
        <BookIn
          interchange={row?.interchange}
          onClose={() => setBooking(false)}
          onBooked={(parts) => {
            setBooking(false);
            setBooked(parts);
            router.refresh();
          }}
        />
      )}
    </Box>
  );
}

function ClassRow({
  row,
  isChosen,
  onChoose,
}: {
  readonly row: StandingRow;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}) {
  const { name, models, free, wanted, standing, weeks, left } = row;
  const most = Math.max(free, wanted, 1);
  return (
    <Row state={isChosen ? 'chosen' : 'plain'} minH="52px" onClick={onChoose} press="yes" aria-current={isChosen}>
      <Box flex="1" minW="0">
        <Box overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
          {name}
        </Box>
        <Box textStyle="caption" color="inkMuted" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
          {models.length === 0 ? texts.noModel() : list(models)}
        </Box>
      </Box>
      <Box
        w={{ base: '90px', md: '190px' }}
        role="img"
        aria-label={texts.freeAgainst({ free, wanted })}
        display={{ base: 'none', sm: 'block' }}
      >
        <Box h="7px" w={`${(free / most) * 100}%`} bg="action" minW={free > 0 ? '3px' : '0'} />
        <Box h="7px" mt="3px" w={`${(wanted / most) * 100}%`} bg="twine" minW={wanted > 0 ? '3px' : '0'} />
      </Box>
      <Box w="140px" textAlign="end" textStyle="note" whiteSpace="nowrap">
        {texts.freeOf({ free, wanted })}
      </Box>
      <Box w="150px" textAlign="end" color={tones[standing]} fontWeight="600">
        {texts.standing({
          standing,
          missing: -left,
          weeks: weeks === null ? '' : tenths(weeks),
          surplus: row.surplus,
          hasLeft: left > 0 ? 'yes' : 'no',
        })}
      </Box>
    </Row>
  );
}

/** How a class came to stand as it does: every figure of it. */
function Arithmetic({ row }: { readonly row: StandingRow }) {
  const { name, interchange, free, reserved, wanted, used, left, weeks, surplus, valueCents, old, wantedBy, grades } =
    row;
  const perWeek = used / (stockRules.watchedDays / 7);
  const lines: readonly (readonly [string, string])[] = [
    [texts.freeOnShelf(), `${free}`],
    [
      texts.ofThem(),
      Object.keys(grades).length === 0
        ? texts.none()
        : list(
            Object.entries(grades)
              .sort()
              .map(([grade, count]) => texts.ofGrade({ grade, count })),
          ),
    ],
    [texts.reserved(), `${reserved}`],
    [texts.openSlots(), `${wanted}`],
    [texts.left(), texts.leftSays({ free, wanted, left })],
    [texts.usedLately(), texts.usedSays({ used, days: stockRules.watchedDays, week: tenths(perWeek) })],
    [texts.lasts(), weeks === null ? texts.nobodyUsed() : texts.lastsSays({ weeks: tenths(weeks) })],
    ...(surplus > 0
      ? [
          [
            texts.surplus(),
            texts.surplusSays({ surplus, weeks: stockRules.surplusWeeks, value: money(surplus * valueCents) }),
          ] as const,
        ]
      : []),
    ...(old ? [[texts.old(), texts.oldSays({ count: old.count, day: old.since.slice(0, 10) })] as const] : []),
  ];
  return (
    <Box display="grid" gap="12px">
      <Box textStyle="section">{name}</Box>
      <Box fontFamily="mono" textStyle="caption" color="inkMuted">
        {interchange}
      </Box>
      <Figures lines={lines} />
      {wantedBy.length > 0 && (
        <Box display="flex" gap="8px" flexWrap="wrap">
          {wantedBy.map((tag, at) => (
            <Tag key={`${tag} ${at}`} code={tag} href={`/match?unit=${tag}`} />
          ))}
        </Box>
      )}
      <a href={`/shelf?${shelfAddress({ ...plainQuery, words: interchange })}`}>
        <Box as="span" color="action" textDecoration="underline">
          {texts.showOnShelf()}
        </Box>
      </a>
    </Box>
  );
}

function DueCells({ view }: { readonly view: StockView }) {
  const seeds = useMemo(() => ({ models: [], parts: view.due.map(({ part }) => part) }), [view]);
  const shop = useShop(seeds);
  const [asked, setAsked] = useState<string | null>(null);
  const left = view.due.flatMap(({ part, due }) => {
    const now = shop.parts.find(({ id }) => id === part.id) ?? part;
    return now.version === part.version ? [{ part: now, due }] : [];
  });
  const part = left.find((own) => own.part.id === asked)?.part;
  return (
    <Section title={texts.cellsDue({ due: view.dueTotal })} note={texts.cellsDueNote()}>
      <Box as="ul">
        {left.slice(0, 5).map(({ part: own, due }, at) => (
          <Row key={own.id} minH="48px">
            <Box w="64px" fontFamily="mono" fontWeight="700">
              {own.bin}
            </Box>
            <Tag code={own.tag} href={`/t/${own.tag}`} />
            <Box flex="1" minW="0">
              {view.kinds[`${own.modelId}/${own.partRef}`]?.modelName}
            </Box>
            <Box color="waiting">
              {texts.dueSince({
                day: due.at.slice(0, 10),
                keeping: due.keeping,
                volt: due.voltEach === null ? '' : tenths(due.voltEach),
              })}
            </Box>
            <KeyButton
              records
              keyName={at === 0 ? 'o' : undefined}
              size="small"
              label={texts.topUp()}
              onPress={() => setAsked(own.id)}
            />
          </Row>
        ))}
      </Box>
      {part && (
        <TopUp
          part={part}
          onClose={() => setAsked(null)}
          onDone={(restVolt) => {
            setAsked(null);
            void shop.act('cell-topped-up', part.id, { restVolt });
          }}
        />
      )}
    </Section>
  );
}
