'use client';
import { Box } from '@chakra-ui/react';
import { screwKeepings, type ScrewKeeping } from '@/core/shared/houseRules';
import type { RunSheet, SheetKind } from '@/core/teardown/sheet/runSheet';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/benchLater';
import { keepingNames } from '../sheetWords';

/** What a sheet takes, before it is begun: time, screws, tools and what is used up. */
export function SheetInShort({
  sheet: { steps, minutes, screwCount, cups, tools, consumables },
  kind,
  keeping,
  onKeep,
}: {
  readonly sheet: RunSheet;
  readonly kind: SheetKind;
  readonly keeping: ScrewKeeping;
  readonly onKeep: (keeping: ScrewKeeping) => void;
}) {
  const nextKeeping = screwKeepings[(screwKeepings.indexOf(keeping) + 1) % screwKeepings.length] ?? keeping;
  return (
    <>
      <Section title={words.theSheet()} note={words.steps2({ steps: steps.length })}>
        <Box py="10px">
          {words.toMinLikely({
            low: Math.round(minutes.low),
            high: Math.round(minutes.high),
            likely: Math.round(minutes.likely),
          })}
        </Box>
        <Box pb="10px">
          {words.screwsOutAndBackIn({
            screwCount,
            isKindRebuild: kind === 'rebuild' ? 'yes' : 'no',
            keeping: keepingNames[keeping],
            cup: new Set(cups.map(({ cup }) => cup)).size,
          })}
        </Box>
        <Box pb="10px">
          <KeyButton
            keyName="k"
            label={words.screws({ keeping: keepingNames[keeping] })}
            size="small"
            onPress={() => onKeep(nextKeeping)}
          />
        </Box>
      </Section>
      <Section title={words.layOut()}>
        <Box py="10px" textStyle="note">
          {tools.join(' · ') || words.noToolsNeeded()}
        </Box>
        {consumables.length > 0 && (
          <Box pb="10px" textStyle="note">
            {consumables.map(({ name, count }) => `${count} × ${saySheet(name)}`).join(' · ')}
          </Box>
        )}
      </Section>
    </>
  );
}
