'use client';
import { Box } from '@chakra-ui/react';
import { Button } from './Button';

/** What a page says when it could not be shown. A number means that the fault is the server’s. */
export function Trouble({ code, retry }: { readonly code: string | undefined; readonly retry: () => void }) {
  return (
    <Box as="main" p="40px" maxW="70ch" role="alert">
      <Box as="h1" textStyle="headline" mb="8px">
        This page cannot be shown just now
      </Box>
      <Box as="p" color="inkMuted" mb="20px">
        {code
          ? `The server or its database does not answer as it should. The page tries again by itself every few seconds. If it stays, tell a lead this number: ${code}.`
          : 'Something on this page went wrong. Try again, or go back to today and tell a lead what you pressed.'}{' '}
        What you entered is kept in this browser and is sent as soon as that can be.
      </Box>
      <Button look="action" onClick={retry}>
        Try now
      </Button>
    </Box>
  );
}
