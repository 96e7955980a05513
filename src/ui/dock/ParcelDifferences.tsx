'use client';
import { money } from '@/words/format';
import { Box } from '@chakra-ui/react';
import type { Parcel } from '@/core/entities/entities';
import type { Difference } from '@/core/intake/parcelDifferences';
import { Section } from '@/ui/base/Section';
import { differenceWords } from '@/words/say/names';
import * as words from '@/words/catalogue/dock';
import { say } from '@/words/catalogue/core/intake';

const shown = 8;

/** Where the parcel is not what was promised, what that costs, and the sheet for the supplier. */
export function ParcelDifferences({
  parcel,
  differences,
}: {
  readonly parcel: Parcel;
  readonly differences: readonly Difference[];
}) {
  const total = differences.reduce((sum, { cents }) => sum + cents, 0);
  return (
    <Section
      title={words.comparedWithList()}
      note={differences.length > 0 ? words.difference({ count: differences.length, total }) : undefined}
    >
      {differences.length === 0 ? (
        <Box pt="10px" textStyle="note" color="inkMuted">
          {words.everythingArrivedAsListed({ isCounted: parcel.isCounted ? 'yes' : 'no' })}
        </Box>
      ) : (
        <Box as="ul" textStyle="note" pt="8px" display="grid" gap="4px">
          {differences.slice(0, shown).map(({ kind, lineNo, tag, promised, came, cents }) => (
            <li key={`${kind} ${lineNo} ${tag}`}>
              <strong>{lineNo === null ? tag : words.line2({ lineNo })}</strong>{' '}
              {differenceWords[kind](say(promised), say(came))}
              {cents > 0 && `: ${money(cents)}`}
            </li>
          ))}
          {differences.length > shown && <li>{words.andMoreOnClaim({ shown: differences.length - shown })}</li>}
          <Box as="li" pt="4px" display="flex" gap="14px">
            <a href={`/api/claims/${parcel.id}.pdf`} target="_blank" rel="noreferrer">
              <Box as="span" color="action" textDecoration="underline">
                {words.claimAsPdf()}
              </Box>
            </a>
            <a href={`/api/claims/${parcel.id}.csv`}>
              <Box as="span" color="action" textDecoration="underline">
                {words.asCsv()}
              </Box>
            </a>
          </Box>
        </Box>
      )}
    </Section>
  );
}
