'use client';
import { Box } from '@chakra-ui/react';
import type { RestWorth } from '@/core/bench/restWorth';
import { getModelPart, type Model } from '@/core/procedure/model';
import { money } from '@/core/shared/money';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayList } from '@/ui/words/amounts';
import { sayRest } from './sheetWords';

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
    <Section title="Still to come">
      <Box pt="8px" fontSize="17px">
        {sayRest(rest)}
      </Box>
      {isBetter && (
        <Box py="6px" ps="10px" mt="8px" borderInlineStartWidth="4px" borderColor="waiting" textStyle="note">
          The {sayList(poor.map((id) => getModelPart(model, id).name))}{' '}
          {poor.length === 1 ? 'no longer pays' : 'no longer pay'}: {money(rest.gainCents)} better without.
        </Box>
      )}
      <Box display="flex" flexWrap="wrap" gap="8px" pt="10px">
        {isBetter && (
          <KeyButton
            keyName="p"
            label={rest.paying.length === 0 ? 'Stop here' : 'Leave it in'}
            size="small"
            onPress={() => onLeave(rest.paying)}
          />
        )}
        <KeyButton keyName="w" label="What is wanted" size="small" onPress={onChange} />
      </Box>
    </Section>
  );
}
