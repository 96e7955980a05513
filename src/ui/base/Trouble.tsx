'use client';
import { Box } from '@chakra-ui/react';
import { Button } from './Button';

/** What a page says when it could not be read, while it tries again by itself. */
export function Trouble({ code, retry }: { readonly code: string | undefined; readonly retry: () => void }) {
  return (
    <Box as="main" p="40px" maxW="70ch" role="alert">
      <Box as="h1" textStyle="headline" mb="8px">
        This page cannot be read just now
      </Box>
      <Box as="p" color="inkMuted" mb="20px">
        The server or its database does not answer. What you entered is kept in this browser and is sent when it is
        back. The page tries again by itself every few seconds.
        {code && ` If it stays, tell a lead this number: ${code}.`}
      </Box>
      <Button look="action" onClick={retry}>
        Try now
      </Button>
    </Box>
  );
}
