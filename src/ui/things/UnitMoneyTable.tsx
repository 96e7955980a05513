'use client';
import { Box } from '@chakra-ui/react';
import type { UnitMoney } from '@/services/things/readThing';
import { Section } from '@/ui/base/Section';
import { money, signedMoney } from '@/words/format';
import * as words from '@/words/catalogue/things';

/** Where a unit's money went and came from, with what is left of it. */
export function UnitMoneyTable({ money: unit }: { readonly money: UnitMoney }) {
  const lines = [
    { name: words.bought(), cents: -unit.boughtCents },
    { name: words.labour(), cents: -unit.labourCents },
    { name: words.partsPutIn(), cents: -unit.partsInCents },
    { name: words.consumables(), cents: -unit.consumablesCents },
    { name: words.sellingCosts(), cents: -unit.sellingCents },
    { name: words.takenAway(), cents: -unit.recycleCents },
    { name: words.partsOut({ ungraded: unit.ungraded }), cents: unit.partsOutCents },
    { name: words.sale(), cents: unit.saleCents ?? 0 },
  ].filter(({ cents }) => cents !== 0);
  const margin = lines.reduce((sum, { cents }) => sum + cents, 0);
  return (
    <Section title={words.itsMoney()} note={words.moneyNote()} mt="28px">
      <Box as="dl" display="grid" gridTemplateColumns="minmax(0, 1fr) auto" columnGap="20px" maxW="560px">
        {lines.map(({ name, cents }) => (
          <Box key={name} display="contents">
            <Box as="dt" py="6px" borderBottomWidth="1px" borderColor="rule">
              {name}
            </Box>
            <Box as="dd" py="6px" borderBottomWidth="1px" borderColor="rule" textAlign="end" fontFamily="mono">
              {signedMoney(cents)}
            </Box>
          </Box>
        ))}
        <Box as="dt" py="8px" fontWeight="700">
          {unit.saleCents === null ? words.marginSoFar() : words.margin()}
        </Box>
        <Box
          as="dd"
          py="8px"
          fontWeight="700"
          textAlign="end"
          fontFamily="mono"
          color={margin < 0 ? 'danger' : 'sound'}
          data-margin={margin}
        >
          {margin === 0 ? money(0) : signedMoney(margin)}
        </Box>
      </Box>
    </Section>
  );
}
