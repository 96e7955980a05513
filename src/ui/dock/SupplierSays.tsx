'use client';
import { Box } from '@chakra-ui/react';
import { differenceKinds } from '@/core/intake/parcelDifferences';
import type { SupplierRecord } from '@/core/intake/supplierRecord';
import { money } from '@/core/shared/money';
import { Section } from '@/ui/base/Section';
import { sayCount } from '@/ui/words/amounts';
import { differenceNames } from '@/ui/words/names';

/** How far this supplier's lists can be believed, from the parcels counted so far. */
export function SupplierSays({ supplier, record }: { readonly supplier: string; readonly record: SupplierRecord }) {
  const { counted, promised, asPromised, expected, byKind, cents } = record;
  const inHundred = (share: number) => Math.round(share * 100);
  const kinds = differenceKinds.filter((kind) => byKind[kind]);
  return (
    <Section title={supplier} note={counted > 0 ? sayCount(counted, 'parcel') + ' counted' : 'supplier'}>
      {counted === 0 ? (
        <Box pt="10px" textStyle="note" color="inkMuted">
          None of its parcels has been counted yet, so nothing is known of its lists.
        </Box>
      ) : (
        <Box pt="10px" textStyle="note">
          {asPromised} of {promised} came as promised; expect {inHundred(expected.low)} to {inHundred(expected.high)} in
          100.
          {kinds.length > 0 && (
            <Box color="inkMuted">
              {kinds.map((kind) => `${byKind[kind]} ${differenceNames[kind]}`).join(', ')}
              {cents > 0 && `; ${money(cents)} claimed`}.
            </Box>
          )}
        </Box>
      )}
    </Section>
  );
}
