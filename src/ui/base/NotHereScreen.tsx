'use client';
import { Box } from '@chakra-ui/react';
import { ButtonLink } from './Button';
import * as words from '@/words/catalogue/base';

export function NotHereScreen() {
  return (
    <Box as="main" p="40px">
      <Box as="h1" textStyle="headline" mb="8px">
        {words.pageNotFound()}
      </Box>
      <Box as="p" color="inkMuted" mb="20px">
        {words.scanTagOrGoTo()}
      </Box>
      <ButtonLink href="/" look="action">
        {words.today()}
      </ButtonLink>
    </Box>
  );
}
