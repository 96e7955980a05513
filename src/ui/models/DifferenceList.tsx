'use client';
import { say as sayLibrary } from '@/words/catalogue/core/library';
import { Box } from '@chakra-ui/react';
import type { Difference } from '@/core/library/compareVersions';
import * as words from '@/words/catalogue/models';

const most = 40;

/** What changed between two documents, in words. */
export function DifferenceList({ differences }: { readonly differences: readonly Difference[] }) {
  if (differences.length === 0) return <Box color="inkMuted">{words.noChanges()}</Box>;
  return (
    <Box as="ul" aria-label={words.differences()}>
      {differences.slice(0, most).map(({ kind, about, says }, index) => (
        <Box as="li" key={index} py="3px" overflowWrap="anywhere">
          <Box as="span" fontWeight="600" color={kind === 'new' ? 'sound' : kind === 'gone' ? 'danger' : 'ink'}>
            {sayLibrary(about)}
          </Box>{' '}
          {sayLibrary(says)}
        </Box>
      ))}
      {differences.length > most && <Box color="inkMuted">{words.andMore({ most: differences.length - most })}</Box>}
    </Box>
  );
}
