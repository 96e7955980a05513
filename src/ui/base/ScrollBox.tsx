'use client';
import { Box, type BoxProps } from '@chakra-ui/react';
import type { Ref } from 'react';

interface ScrollBoxProps extends BoxProps {
  /** What is in it: read out when it gets the focus. */
  readonly label: string;
  readonly ref?: Ref<HTMLDivElement>;
}

/** A named part of a screen that scrolls by itself. It takes the focus, so that keys can scroll it too. */
export function ScrollBox({ label, ...box }: ScrollBoxProps) {
  return <Box role="group" aria-label={label} tabIndex={0} overflowY="auto" {...box} />;
}
