'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { differenceKinds } from '@/core/intake/parcelDifferences';
import type { SupplierRecord } from '@/core/intake/supplierRecord';
import { Section } from '@/ui/base/Section';
import { differenceNames } from '@/words/say/names';
import * as words from '@/words/catalogue/dock';

/** How far this supplier's lists can be believed, from the parcels counted so far. */
export function SupplierSays({ supplier, record }: { readonly supplier: string; readonly record: SupplierRecord }) {
  const { counted, promised, asPromised, expected, byKind, cents } = record;
  const inHundred = (share: number) => Math.round(share * 100);
  const kinds = differenceKinds.filter((kind) => byKind[kind]);
  return (
    <Section title={supplier} note={counted > 0 ? words.parcelCounted({ counted }) : 'supplier'}>
      {counted === 0 ? (
        <Box pt="10px" textStyle="note" color="inkMuted">
          {words.noneItsParcelsHasBeen()}
        </Box>
      ) : (
        <Box pt="10px" textStyle="note">
          {words.arrivedAsListedExpectTo({
            asPromised,
            promised,
            low: inHundred(expected.low),
            high: inHundred(expected.high),
          })}
          {kinds.length > 0 && (
            <Box color="inkMuted">
              {list(kinds.map((kind) => `${byKind[kind]} ${differenceNames[kind]}`))}
              {cents > 0 && words.claimed({ cents })}.
            </Box>
          )}
        </Box>
      )}
    </Section>
  );
}
