'use client';
import { Box } from '@chakra-ui/react';
import type { Difference } from '@/core/library/compareVersions';

const most = 40;

/** What changed between two documents, in words. */
export function DifferenceList({ differences }: { readonly differences: readonly Difference[] }) {
  if (differences.length === 0) return <Box color="inkMuted">Nothing changed.</Box>;
  return (
    <Box as="ul" aria-label="Differences">
      {differences.slice(0, most).map(({ kind, about, says }, index) => (
        <Box as="li" key={index} py="3px" overflowWrap="anywhere">
          <Box as="span" fontWeight="600" color={kind === 'new' ? 'sound' : kind === 'gone' ? 'danger' : 'ink'}>
            {about}
          </Box>{' '}
          {says}
        </Box>
      ))}
      {differences.length > most && <Box color="inkMuted">and {differences.length - most} more</Box>}
    </Box>
  );
}
