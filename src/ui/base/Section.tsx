'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** A named part of a screen, set off by a thin rule. */
export function Section({
  title,
  note,
  children,
  mt = '0',
  id,
}: {
  readonly title: string;
  readonly note?: ReactNode;
  readonly children: ReactNode;
  readonly mt?: string;
  /** By which a link leads to it. */
  readonly id?: string;
}) {
  return (
    <Box as="section" id={id} scrollMarginTop="16px" mt={mt} aria-label={title}>
      <Box
        display="flex"
        justifyContent="space-between"
        alignItems="baseline"
        gap="12px"
        pb="8px"
        borderBottomWidth="1px"
        borderColor="rule"
      >
        <Box as="h2" textStyle="section">
          {title}
        </Box>
        {note && (
          <Box as="span" textStyle="caption" color="inkMuted" whiteSpace="nowrap">
            {note}
          </Box>
        )}
      </Box>
      {children}
    </Box>
  );
}
