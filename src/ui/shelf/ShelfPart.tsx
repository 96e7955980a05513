'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { Part } from '@/core/entities/entities';
import type { FitsView } from '@/services/shelf/readFits';
import type { ThingView } from '@/services/things/readThing';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import { FactList } from '@/ui/today/FactList';
import { list, tenths } from '@/words/format';
import { sayOrigin } from '@/words/say/sayOrigin';
import * as texts from '@/words/catalogue/shelf';
import { OtherBin } from './OtherBin';
import { Reserve } from './Reserve';
import { TopUp } from './TopUp';

type ShelfPartView = FitsView & { readonly thing: Extract<ThingView, { readonly kind: 'part' }> };
type Asking = 'bin' | 'reserve' | 'top-up' | null;

/** The part in hand on the shelf: where it fits, who wants one, what happened to it, and what can be done with it. */
export function ShelfPart({ part, shop }: { readonly part: Part; readonly shop: Shop }) {
  const [asking, setAsking] = useState<Asking>(null);
  const view = useShelfPart(part);
  const isStock = part.place === 'shelf' || part.place === 'reserved';
  const canLieIn = isStock || part.place === 'lost';
  const close = () => setAsking(null);
  return (
    <Box display="grid" gap="12px">
      <Box display="flex" justifyContent="space-between" alignItems="center" gap="10px">
        <Tag code={part.tag} href={`/t/${part.tag}`} />
        <Box fontFamily="mono" textStyle="headline">
          {part.bin ?? '–'}
        </Box>
      </Box>
      {view && (
        <>
          <Box fontWeight="600">{view.thing.name}</Box>
          {view.thing.carries.length > 0 && <Box>{texts.stillOn({ parts: view.thing.carries })}</Box>}
          <Lines view={view} part={part} />
        </>
      )}
      <Box display="flex" flexWrap="wrap" gap="8px">
        {isStock && (
          <KeyButton
            records
            keyName="v"
            size="small"
            label={texts.reserve({ isReserved: part.place === 'reserved' ? 'yes' : 'no' })}
            onPress={() =>
              part.place === 'reserved' ? void shop.act('part-unreserved', part.id, {}) : setAsking('reserve')
            }
          />
        )}
        {canLieIn && (
          <KeyButton
            records
            keyName="b"
            size="small"
            label={part.place === 'lost' ? texts.foundIn() : texts.otherBin()}
            onPress={() => setAsking('bin')}
          />
        )}
        {isStock && part.category === 'battery' && (
          <KeyButton records keyName="o" size="small" label={texts.topUp()} onPress={() => setAsking('top-up')} />
        )}
        {isStock && (
          <KeyButton
            records
            keyName="n"
            size="small"
            label={texts.notHere()}
            onPress={() => void shop.act('part-missed', part.id, { because: texts.notInBin({ bin: part.bin ?? '' }) })}
          />
        )}
        {part.place === 'assigned' && part.bin !== null && (
          <KeyButton
            records
            keyName=" "
            size="small"
            look="action"
            label={texts.fetched()}
            onPress={() => void shop.act('part-picked', part.id, {})}
          />
        )}
        {part.place === 'lost' && (
          <KeyButton
            records
            keyName="x"
            size="small"
            look="danger"
            label={texts.writeOff()}
            onPress={() => void shop.act('part-scrapped', part.id, { because: texts.notFoundAgain() })}
          />
        )}
        <KeyButton
          keyName="p"
          size="small"
          label={texts.label()}
          onPress={() => window.open(`/api/labels/${part.tag}.pdf`)}
        />
      </Box>
      {view && (
        <Box>
          <Box textStyle="section" pb="2px">
            {texts.itsStory()}
          </Box>
          <FactList facts={view.thing.facts.slice(0, 6)} isNarrow />
        </Box>
      )}
      {asking === 'bin' && (
        <OtherBin
          part={part}
          onClose={close}
          onStore={(bin) => {
            close();
            void shop.act('part-shelved', part.id, { bin });
          }}
        />
      )}
      {asking === 'reserve' && (
        <Reserve
          part={part}
          wantedBy={view?.wantedBy ?? []}
          onClose={close}
          onReserve={(whom) => {
            close();
            void shop.act('part-reserved', part.id, { for: whom });
          }}
        />
      )}
      {asking === 'top-up' && (
        <TopUp
          part={part}
          onClose={close}
          onDone={(restVolt) => {
            close();
            void shop.act('cell-topped-up', part.id, { restVolt });
          }}
        />
      )}
    </Box>
  );
}

const mostNamed = 5;

function Lines({ view, part }: { readonly view: ShelfPartView; readonly part: Part }) {
  const { fits, wantedBy, alike, due } = view;
  const models = [...new Set(fits.map(({ model }) => model))];
  const others = alike.map(({ grade, count }) => ({
    grade,
    count: count - Number(grade === part.grade && part.place === 'shelf'),
  }));
  const left = others.filter(({ count }) => count > 0);
  const lines: readonly (readonly [string, string])[] = [
    [texts.itFits(), models.length === 0 ? texts.noModel() : list(models)],
    [
      texts.wantedBy(),
      wantedBy.length === 0
        ? texts.byNobody()
        : wantedBy.length > mostNamed
          ? texts.andMore({ tags: wantedBy.slice(0, mostNamed), more: wantedBy.length - mostNamed })
          : list(wantedBy),
    ],
    [
      texts.othersLikeIt(),
      left.length === 0 ? texts.none() : list(left.map(({ grade, count }) => texts.countOfGrade({ count, grade }))),
    ],
    [texts.comesFrom({ isBought: part.bought ? 'yes' : 'no' }), sayOrigin(part, view.thing.unitTag)],
    ...(part.reservedFor ? [[texts.reservedFor(), part.reservedFor] as const] : []),
    ...(due
      ? [
          [
            texts.topUpBy(),
            texts.dueSays({
              day: due.at.slice(0, 10),
              keeping: due.keeping,
              volt: due.voltEach === null ? '' : tenths(due.voltEach),
            }),
          ] as const,
        ]
      : []),
  ];
  return (
    <Box as="dl" display="grid" gridTemplateColumns="104px 1fr" textStyle="note">
      {lines.map(([name, value]) => (
        <Box key={name} display="contents">
          <Box as="dt" color="inkMuted" py="4px">
            {name}
          </Box>
          <Box as="dd" py="4px">
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** What the server knows of a part; asked for anew when the part changed. */
function useShelfPart({ tag, version }: Part): ShelfPartView | null {
  const [view, setView] = useState<ShelfPartView | null>(null);
  useEffect(() => {
    const calledOff = new AbortController();
    // Who runs through the rows with the arrows asks for nothing on the way.
    const timer = setTimeout(() => {
      void send<ShelfPartView>('GET', `/api/shelf/parts/${tag}`, undefined, calledOff.signal).then((outcome) => {
        if (outcome.ok) setView(outcome.value);
      });
    }, 120);
    return () => {
      clearTimeout(timer);
      calledOff.abort();
    };
  }, [tag, version]);
  return view?.thing.part.tag === tag ? view : null;
}
