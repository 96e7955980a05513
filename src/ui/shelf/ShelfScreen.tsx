'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { rackOf } from '@/core/shelf/racks';
import { plainQuery, shelfAddress, type ShelfQuery, type ShelfSort } from '@/core/shelf/shelfQuery';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Button } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShop } from '@/ui/facts/ShopProvider';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as texts from '@/words/catalogue/shelf';
import { PutAway } from './PutAway';
import { RackMap } from './RackMap';
import { RackPicture } from './RackPicture';
import { ShelfFilters } from './ShelfFilters';
import { ShelfPages } from './ShelfPages';
import { ShelfPart } from './ShelfPart';
import { ShelfTable } from './ShelfTable';
import { useShelfRows } from './useShelfRows';

/** What have we got, and where? First what waits for a bin, then the shelf; beside it the racks as they stand. */
export function ShelfScreen({
  view,
  isAsked,
  isLead,
}: {
  readonly view: ShelfView;
  /** The address asks for a view of the shelf: what waits for a bin can wait. */
  readonly isAsked: boolean;
  readonly isLead: boolean;
}) {
  const router = useRouter();
  const { query } = view;
  const [seen, setSeen] = useState({ from: 0, to: 0 });
  const [at, setAt] = useState<number | null>(null);
  const [inHand, setInHand] = useState<string | null>(null);
  const address = shelfAddress(query);
  const rows = useShelfRows(address, view, seen.from, seen.to);
  const seeds = useMemo(
    () => ({ models: [], parts: [...view.toShelve.map(({ part }) => part), ...rows.loaded] }),
    [view, rows.loaded],
  );
  const shop = useShop(seeds);
  const now = useMemo(() => new Map(shop.parts.map((part) => [part.id, part])), [shop.parts]);
  const waiting = view.toShelve.flatMap(({ part, bin }) => {
    const own = now.get(part.id);
    return own?.place === 'to-shelve' ? [{ part: own, bin }] : [];
  });
  const isPuttingAway = waiting.length > 0 && !isAsked;
  const rowAt = (row: number) => {
    const part = rows.rowAt(row);
    return part && (now.get(part.id) ?? part);
  };
  const chosen = at === null || isPuttingAway ? undefined : rowAt(at);
  const show = useCallback(
    (next: ShelfQuery) => {
      setAt(null);
      router.replace(`/shelf?${shelfAddress(next) || 'show=shelf'}`, { scroll: false });
    },
    [router],
  );
  const onSee = useCallback((from: number, to: number) => setSeen({ from, to }), []);
  const sort = (by: ShelfSort) => show({ ...query, sort: by, isDown: query.sort === by && !query.isDown });
  const lit = isPuttingAway
    ? (waiting.find(({ part }) => part.id === inHand)?.bin ?? waiting[0]?.bin ?? null)
    : (chosen?.bin ?? null);
  const litRack = lit === null ? undefined : view.racks.find(({ code }) => code === rackOf(lit));
  const isPlain = shelfAddress({ ...query, sort: plainQuery.sort, isDown: false }) === '';
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 290px', xl: 'minmax(0, 1fr) 336px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p={{ base: '16px', md: '18px 24px' }} minW="0">
        <ShelfPages />
        <Headline
          lead={
            isPuttingAway
              ? texts.binWhereSameKindStored()
              : texts.shelfLead({
                  reserved: view.counts.reserved,
                  toFetch: view.counts.assigned,
                  lost: view.counts.lost,
                })
          }
          aside={
            <Box as="span" display="flex" gap="8px">
              {isPuttingAway ? (
                <KeyButton keyName="t" size="small" label={texts.toTheShelf()} onPress={() => show(query)} />
              ) : (
                waiting.length > 0 && (
                  <KeyButton
                    keyName="a"
                    size="small"
                    look="action"
                    label={texts.putAway({ waiting: waiting.length })}
                    onPress={() => router.push('/shelf')}
                  />
                )
              )}
              {isLead && (
                <KeyButton keyName="r" size="small" label={texts.racks()} onPress={() => router.push('/shelf/racks')} />
              )}
              <KeyButton records keyName="u" size="small" label={texts.undo()} onPress={() => void shop.takeBack()} />
            </Box>
          }
        >
          {isPuttingAway
            ? texts.noPartsToPutAway({ waiting: waiting.length })
            : texts.partsShown({ total: view.total, place: query.place, isPlain: isPlain ? 'yes' : 'no' })}
        </Headline>
        {isPuttingAway ? (
          <>
            <PutAway waiting={waiting} kinds={view.kinds} isLead={isLead} shop={shop} onInHand={setInHand} />
            {litRack && (
              <Section title={texts.litRack({ code: litRack.code, bin: lit ?? '' })} mt="26px">
                <Box pt="12px">
                  <RackPicture rack={litRack} lit={lit} />
                </Box>
              </Section>
            )}
          </>
        ) : (
          <>
            <ShelfFilters query={query} view={view} onChange={show} />
            {rows.refused && (
              <Box my="8px">
                <RefusalAlert refusal={rows.refused} />
                <Button size="small" onClick={rows.again}>
                  {texts.tryAgain()}
                </Button>
              </Box>
            )}
            {view.total === 0 ? (
              <>
                <Nothing>{texts.nothingMatchesTryFewerWords({ isWords: isPlain ? 'no' : 'yes' })}</Nothing>
                {isPlain && waiting.length === 0 && <NextPlace stage="grade" />}
              </>
            ) : (
              <ShelfTable
                rows={{ total: view.total, rowAt, kinds: rows.kinds }}
                query={query}
                at={at}
                onChoose={setAt}
                onSort={sort}
                onSee={onSee}
              />
            )}
          </>
        )}
      </Box>
      <SidePanel>
        <Box position={{ lg: 'sticky' }} top="12px" display="grid" gap="18px">
          <RackMap racks={view.racks} lit={lit} chosen={query.bin} onChoose={(bin) => show({ ...query, bin })} />
          {chosen ? (
            <ShelfPart key={chosen.tag} part={chosen} shop={shop} />
          ) : (
            <Box textStyle="note" color="inkMuted">
              {isPuttingAway ? texts.litBox() : texts.chooseRow()}
            </Box>
          )}
          {!isPuttingAway && (
            <a href={`/api/shelf/export?${address}`} download>
              <Box as="span" color="action" textDecoration="underline" textStyle="note">
                {texts.theseAsCsv()}
              </Box>
            </a>
          )}
        </Box>
      </SidePanel>
    </Box>
  );
}
