'use client';
import { Box } from '@chakra-ui/react';
import type { Parcel } from '@/core/bench/entities';
import type { Difference } from '@/core/intake/parcelDifferences';
import { money } from '@/core/shared/money';
import { Section } from '@/ui/base/Section';
import { sayCount } from '@/ui/words/amounts';
import { differenceWords } from '@/ui/words/names';

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
      title="Against the list"
      note={differences.length > 0 ? `${sayCount(differences.length, 'difference')}, ${money(total)}` : undefined}
    >
      {differences.length === 0 ? (
        <Box pt="10px" textStyle="note" color="inkMuted">
          {parcel.isCounted ? 'Everything came as promised.' : 'Nothing so far. Say when the box is empty.'}
        </Box>
      ) : (
        <Box as="ul" textStyle="note" pt="8px" display="grid" gap="4px">
          {differences.slice(0, shown).map(({ kind, lineNo, tag, promised, came, cents }) => (
            <li key={`${kind} ${lineNo} ${tag}`}>
              <strong>{lineNo === null ? tag : `Line ${lineNo}`}</strong> {differenceWords[kind](promised, came)}
              {cents > 0 && `: ${money(cents)}`}
            </li>
          ))}
          {differences.length > shown && <li>and {differences.length - shown} more on the sheet</li>}
          <Box as="li" pt="4px" display="flex" gap="14px">
            <a href={`/api/claims/${parcel.id}.pdf`} target="_blank" rel="noreferrer">
              <Box as="span" color="action" textDecoration="underline">
                claim as PDF
              </Box>
            </a>
            <a href={`/api/claims/${parcel.id}.csv`}>
              <Box as="span" color="action" textDecoration="underline">
                as CSV
              </Box>
            </a>
          </Box>
        </Box>
      )}
    </Section>
  );
}
