'use client';
import { ChakraProvider } from '@chakra-ui/react';
import { ThemeProvider } from 'next-themes';
import type { ReactNode } from 'react';
import { StyleRegistry } from './StyleRegistry';
import { system } from './system';

/** Theme and styles for everything below. */
export function Providers({ nonce, children }: { readonly nonce: string | undefined; readonly children: ReactNode }) {
  return (
    <StyleRegistry nonce={nonce}>
      <ThemeProvider attribute="class" defaultTheme="system" disableTransitionOnChange nonce={nonce}>
        <ChakraProvider value={system}>{children}</ChakraProvider>
      </ThemeProvider>
    </StyleRegistry>
  );
}
