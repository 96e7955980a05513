'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** An empty place that says what to do first. */
export function Nothing({ children }: { readonly children: ReactNode }) {
  return (
    <Box textStyle="lead" color="inkMuted" py="28px" px="14px" maxW="60ch">
      {children}
    </Box>
  );
}
