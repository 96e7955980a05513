'use client';
import { Box } from '@chakra-ui/react';
import type { WorkBench } from '@/core/people/benches';
import type { RecordedChange } from '@/data/people/shopChanges';
import { Section } from '@/ui/base/Section';
import { moment } from '@/words/format';
import { sayShopChange } from '@/words/say/sayShopChange';
import * as words from '@/words/catalogue/people';

/** What leads changed about people and benches, newest first. */
export function ShopChangeList({
  changes,
  benches,
}: {
  readonly changes: readonly RecordedChange[];
  readonly benches: readonly WorkBench[];
}) {
  if (changes.length === 0) return null;
  return (
    <Section title={words.changedLately()} mt="26px">
      <ul>
        {changes.map((change) => (
          <Box as="li" key={change.id} display="flex" gap="12px" py="6px" textStyle="note">
            <Box as="span" color="inkMuted" whiteSpace="nowrap">
              {moment(change.at)}
            </Box>
            <Box as="span" flex="1" minW="0">
              {sayShopChange(change, (id) => benches.find((bench) => bench.id === id)?.name ?? id)}
            </Box>
            <Box as="span" color="inkMuted">
              {change.by}
            </Box>
          </Box>
        ))}
      </ul>
    </Section>
  );
}
