'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** The sentence a colleague would say, then the evidence. */
export function Headline({
  children,
  lead,
  aside,
}: {
  readonly children: ReactNode;
  readonly lead?: ReactNode;
  readonly aside?: ReactNode;
}) {
  return (
    <Box
      as="header"
      display="flex"
      flexWrap={{ base: 'wrap', sm: 'nowrap' }}
      gap={{ base: '8px 24px', sm: '24px' }}
      alignItems="flex-end"
      mb="14px"
    >
      <Box flex={{ base: '1 0 100%', sm: '1' }} minW="0">
        <Box as="h1" textStyle="headline">
          {children}
        </Box>
        {lead && (
          <Box as="p" textStyle="body" color="inkMuted" mt="4px">
            {lead}
          </Box>
        )}
      </Box>
      {aside}
    </Box>
  );
}
