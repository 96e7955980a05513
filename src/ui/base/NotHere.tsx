'use client';
import { Box } from '@chakra-ui/react';
import { ButtonLink } from './Button';

export function NotHere() {
  return (
    <Box as="main" p="40px">
      <Box as="h1" textStyle="headline" mb="8px">
        There is nothing at this address
      </Box>
      <Box as="p" color="inkMuted" mb="20px">
        Scan a tag, or go back to today.
      </Box>
      <ButtonLink href="/" look="action">
        Today
      </ButtonLink>
    </Box>
  );
}
