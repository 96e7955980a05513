'use client';
import { Box } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { LeavingList, LeavingView } from '@/services/shelf/readLeaving';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as texts from '@/words/catalogue/leaving';
import { ShelfPages } from './ShelfPages';

/** What nobody can use again, by the way it leaves the shop, each with what holds for it; handed over, it is gone. */
export function LeavingScreen({ view }: { readonly view: LeavingView }) {
  const seeds = useMemo(() => ({ models: [], parts: view.lists.flatMap(({ parts }) => parts) }), [view]);
  const shop = useShop(seeds);
  const [asked, setAsked] = useState<LeavingList['stream'] | null>(null);
  const lists = view.lists
    .map((own) => {
      const parts = own.parts.filter(({ id }) => shop.parts.find((now) => now.id === id)?.place !== 'gone');
      return { ...own, count: own.count - (own.parts.length - parts.length), parts };
    })
    .filter(({ count }) => count > 0);
  const total = lists.reduce((sum, { count }) => sum + count, 0);
  const list = lists.find(({ stream }) => stream === asked);
  return (
    <Box p={{ base: '16px', md: '18px 28px' }} maxW="1180px">
      <ShelfPages />
      <Headline
        lead={texts.lead()}
        aside={<KeyButton records keyName="u" size="small" label={texts.undo()} onPress={() => void shop.takeBack()} />}
      >
        {texts.answer({ total })}
      </Headline>
      <Caution tone="waiting" what={texts.localRules()}>
        {texts.localRulesSay()}
      </Caution>
      {lists.length === 0 && <Nothing>{texts.nothing()}</Nothing>}
      {lists.map((own, at) => (
        <Section
          key={own.stream}
          title={texts.streamName({ stream: own.stream })}
          note={texts.count({ count: own.count })}
          mt={at === 0 ? '14px' : '22px'}
        >
          <Box display="flex" gap="14px" alignItems="flex-start" py="10px" flexWrap={{ base: 'wrap', md: 'nowrap' }}>
            <Box
              flex="1"
              minW="240px"
              color={own.stream === 'hazard' || own.stream === 'cells' ? 'danger' : 'inkMuted'}
            >
              {texts.streamSays({ stream: own.stream })}
            </Box>
            <KeyButton
              records
              keyName={`${at + 1}`}
              size="small"
              label={texts.handOver({ count: own.parts.length })}
              onPress={() => setAsked(own.stream)}
            />
          </Box>
          <Box display="flex" flexWrap="wrap" gap="6px">
            {own.parts.map((part) => (
              <Tag
                key={part.id}
                code={part.tag}
                fact={view.kinds[`${part.modelId}/${part.partRef}`]?.name ?? part.partRef}
                href={`/t/${part.tag}`}
              />
            ))}
            {own.count > own.parts.length && <Box p="8px">{texts.more({ more: own.count - own.parts.length })}</Box>}
          </Box>
        </Section>
      ))}
      {list && (
        <HandOver
          list={list}
          onClose={() => setAsked(null)}
          onDone={(to) => {
            setAsked(null);
            for (const { id } of list.parts) shop.act('part-handed-over', id, { to });
          }}
        />
      )}
    </Box>
  );
}

function HandOver({
  list,
  onDone,
  onClose,
}: {
  readonly list: LeavingList;
  readonly onDone: (to: string) => void;
  readonly onClose: () => void;
}) {
  const [to, setTo] = useState('');
  return (
    <KeyLayer>
      <Dialog title={texts.handOverTitle({ count: list.parts.length })} onClose={onClose}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (to.trim() !== '') onDone(to.trim());
          }}
        >
          <Field label={texts.toWhom()}>
            <Input
              autoFocus
              maxLength={80}
              autoComplete="off"
              placeholder={texts.toWhomFor()}
              value={to}
              onChange={({ currentTarget: { value } }) => setTo(value)}
            />
          </Field>
          <Button type="submit" look="action" mt="14px" disabled={to.trim() === ''}>
            {texts.handedOver()}
          </Button>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
