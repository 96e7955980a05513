'use client';
import { Box } from '@chakra-ui/react';
import { Button } from './Button';
import * as words from '@/words/catalogue/base';

/** What a page says when it could not be shown. A number means that the fault is the server’s. */
export function Trouble({ code, retry }: { readonly code: string | undefined; readonly retry: () => void }) {
  return (
    <Box as="main" p="40px" maxW="70ch" role="alert">
      <Box as="h1" textStyle="headline" mb="8px">
        {words.thisPageCannotBeShown()}
      </Box>
      <Box as="p" color="inkMuted" mb="20px">
        {words.serverOrItsDatabaseNot({ isCode: code ? 'yes' : 'no', code })}
      </Box>
      <Button look="action" onClick={retry}>
        {words.tryNow()}
      </Button>
    </Box>
  );
}
