'use client';
import { Box } from '@chakra-ui/react';
import type { RestWorth } from '@/core/sheet/restWorth';
import { getModelPart, type Model } from '@/core/procedure/model';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayRest } from './sheetWords';
import * as words from '@/words/catalogue/bench';

/** Less than this is no reason to change a sheet. */
const worthSayingCents = 20;

/** What the rest of the teardown brings, and what is better left in. */
export function StillToCome({
  model,
  wanted,
  rest,
  onLeave,
  onChange,
}: {
  readonly model: Model;
  /** Parts that are still to come out. */
  readonly wanted: readonly string[];
  readonly rest: RestWorth;
  readonly onLeave: (paying: readonly string[]) => void;
  readonly onChange: () => void;
}) {
  const poor = wanted.filter((part) => !rest.paying.includes(part));
  const isBetter = poor.length > 0 && rest.gainCents >= worthSayingCents;
  return (
    <Section title={words.stillToCome()}>
      <Box pt="8px" fontSize="17px">
        {sayRest(rest)}
      </Box>
      {isBetter && (
        <Box py="6px" ps="10px" mt="8px" borderInlineStartWidth="4px" borderColor="waiting" textStyle="note">
          {words.noLongerPaysBetterWithout({
            name: poor.map((id) => getModelPart(model, id).name),
            poor: poor.length,
            gainCents: rest.gainCents,
          })}
        </Box>
      )}
      <Box display="flex" flexWrap="wrap" gap="8px" pt="10px">
        {isBetter && (
          <KeyButton
            keyName="p"
            label={words.stopHere2({ paying: rest.paying.length })}
            size="small"
            onPress={() => onLeave(rest.paying)}
          />
        )}
        <KeyButton records keyName="w" label={words.partsWanted()} size="small" onPress={onChange} />
      </Box>
    </Section>
  );
}
