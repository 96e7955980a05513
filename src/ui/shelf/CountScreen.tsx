'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useMemo, useRef, useState } from 'react';
import type { Part } from '@/core/entities/entities';
import type { Refusal } from '@/core/shared/outcome';
import type { RackFill } from '@/core/shelf/roomLeft';
import type { CountView } from '@/services/shelf/countBins';
import { Button } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { CodeField } from '@/ui/keys/CodeField';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useOwnTags, useScannedCode } from '@/ui/keys/KeysProvider';
import { send } from '@/ui/server/send';
import * as texts from '@/words/catalogue/count';
import { emptyCount, readCountList, withCode, type CountSoFar } from './countLines';
import { RackMap } from './RackMap';
import { ShelfPages } from './ShelfPages';

const mostBytes = 2_000_000;

/** Counting bins by scanning: a bin's label opens it, a part's label says that it lies there; then what differs is put right. */
export function CountScreen({ racks }: { readonly racks: readonly RackFill[] }) {
  const [count, setCount] = useState<CountSoFar>(emptyCount);
  const [result, setResult] = useState<CountView | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refusal | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const seeds = useMemo(() => ({ models: [], parts: result?.parts ?? [] }), [result]);
  const shop = useShop(seeds);
  const open = count.bins.at(-1);
  const inOpen = count.seen.filter(({ bin }) => bin === open);
  const booked = racks.flatMap(({ bins }) => bins).find(({ code }) => code === open)?.count ?? 0;
  const take = (code: string) => {
    const next = withCode(count, code);
    setResult(null);
    setSaid(next ? null : open === undefined ? texts.binFirst() : texts.notACode({ code: code.slice(0, 24) }));
    if (next) setCount(next);
  };
  useOwnTags((tag) => {
    take(tag);
    return true;
  });
  useScannedCode(take);
  const compare = async (of: CountSoFar) => {
    const outcome = await send<CountView>('POST', '/api/shelf/counts', of);
    setRefused(outcome.ok ? null : outcome.refusal);
    if (outcome.ok) setResult(outcome.value);
  };
  const readFile = async (given: File | undefined) => {
    if (!given) return;
    if (given.size > mostBytes) return setSaid(texts.fileTooLarge());
    const { count: read, unread } = readCountList(await given.text());
    if (read.bins.length === 0) return setSaid(texts.noBinInFile());
    setCount(read);
    setSaid(
      unread.length > 0 ? texts.linesNotRead({ count: unread.length, lines: unread.slice(0, 8).map(String) }) : null,
    );
    return compare(read);
  };
  const part = (tag: string) => {
    const found = result?.parts.find((own) => own.tag === tag);
    return found && (shop.parts.find(({ id }) => id === found.id) ?? found);
  };
  const missing = (result?.missing ?? []).flatMap(({ tag }) => {
    const now = part(tag);
    return now && now.place !== 'lost' ? [now] : [];
  });
  const moved = (result?.moved ?? []).flatMap(({ booked: { tag }, seenIn }) => {
    const now = part(tag);
    return now && now.bin !== seenIn ? [{ part: now, seenIn }] : [];
  });
  const canMove = ({ place }: Part) => ['to-shelve', 'shelf', 'reserved', 'lost'].includes(place);
  const putRight = () => {
    for (const { part: own, seenIn } of moved) if (canMove(own)) shop.act('part-shelved', own.id, { bin: seenIn });
    for (const own of missing)
      shop.act('part-missed', own.id, { because: texts.countedNotThere({ bin: own.bin ?? '' }) });
  };
  const differences = missing.length + moved.filter(({ part: own }) => canMove(own)).length;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 290px', xl: 'minmax(0, 1fr) 336px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p={{ base: '16px', md: '18px 24px' }} minW="0">
        <ShelfPages />
        <Headline
          lead={texts.lead()}
          aside={
            <KeyButton records keyName="u" size="small" label={texts.undo()} onPress={() => void shop.takeBack()} />
          }
        >
          {result
            ? texts.answer({ right: result.right.length, differences })
            : open === undefined
              ? texts.scanABin()
              : texts.counting({ bin: open, seen: inOpen.length, booked })}
        </Headline>
        <Box display="flex" gap="10px" flexWrap="wrap" mb="12px">
          <CodeField label={texts.typeACode()} onCode={take} />
          <KeyButton
            keyName=" "
            look={result ? undefined : 'action'}
            label={texts.compare({ bins: count.bins.length })}
            isEnabled={count.bins.length > 0 && !result}
            onPress={() => void compare(count)}
          />
          <KeyButton keyName="f" label={texts.fromAFile()} onPress={() => file.current?.click()} />
          {count.bins.length > 0 && (
            <KeyButton
              keyName="n"
              label={texts.startAgain()}
              onPress={() => {
                setCount(emptyCount);
                setResult(null);
                setSaid(null);
              }}
            />
          )}
          <chakra.input
            ref={file}
            type="file"
            accept=".csv,.txt,text/csv,text/plain"
            hidden
            onChange={({ currentTarget }) => {
              void readFile(currentTarget.files?.[0]);
              currentTarget.value = '';
            }}
          />
        </Box>
        <RefusalAlert refusal={refused} />
        <Box role="status" minH="26px" color="waiting">
          {said}
        </Box>
        {result ? (
          <>
            {differences > 0 && (
              <KeyButton
                records
                keyName="Enter"
                look="action"
                size="wide"
                label={texts.putRight({ differences })}
                onPress={putRight}
              />
            )}
            <Tags
              title={texts.missing()}
              says={texts.missingSays()}
              tags={missing.map((own) => [own.tag, own.bin ?? ''])}
            />
            <Tags
              title={texts.elsewhere()}
              says={texts.elsewhereSays()}
              tags={moved.map(({ part: own, seenIn }) => [
                own.tag,
                canMove(own)
                  ? texts.fromTo({ from: own.bin ?? '–', to: seenIn })
                  : texts.belongsElsewhere({ place: own.place, bin: seenIn }),
              ])}
            />
            <Tags title={texts.twice()} says={texts.twiceSays()} tags={result.twice.map((tag) => [tag, ''])} />
            <Tags
              title={texts.unknown()}
              says={texts.unknownSays()}
              tags={result.unknown.map(({ tag, bin }) => [tag, bin])}
            />
          </>
        ) : (
          [...count.bins].reverse().map((bin) => {
            const seen = count.seen.filter((own) => own.bin === bin);
            return (
              <Section key={bin} title={texts.inBin({ bin })} note={texts.seenCount({ seen: seen.length })} mt="12px">
                <Box display="flex" flexWrap="wrap" gap="6px" py="8px">
                  {seen.map(({ tag }) => (
                    <Box key={tag} display="flex">
                      <Tag code={tag} />
                      <Button
                        size="small"
                        aria-label={texts.notSeen({ tag })}
                        onClick={() =>
                          setCount({ ...count, seen: count.seen.filter((own) => own.tag !== tag || own.bin !== bin) })
                        }
                      >
                        ×
                      </Button>
                    </Box>
                  ))}
                </Box>
              </Section>
            );
          })
        )}
      </Box>
      <SidePanel>
        <RackMap
          racks={racks}
          lit={open ?? null}
          chosen={null}
          onChoose={(bin) => bin && /\d/.test(bin) && take(bin)}
        />
        <Box textStyle="note" color="inkMuted">
          {texts.howTo()}
        </Box>
      </SidePanel>
    </Box>
  );
}

function Tags({
  title,
  says,
  tags,
}: {
  readonly title: string;
  readonly says: string;
  readonly tags: readonly (readonly [string, string])[];
}) {
  if (tags.length === 0) return null;
  return (
    <Section title={title} note={`${tags.length}`} mt="16px">
      <Box color="inkMuted" py="6px">
        {says}
      </Box>
      <Box display="flex" flexWrap="wrap" gap="6px">
        {tags.map(([tag, fact]) => (
          <Tag key={tag} code={tag} fact={fact} href={`/t/${tag}`} />
        ))}
      </Box>
    </Section>
  );
}
