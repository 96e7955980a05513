'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Knot } from '@/core/bench/stages';
import type { Person } from '@/core/people/roles';
import { FindBox } from './FindBox';
import { PersonMenu } from './PersonMenu';
import { WaitingCorner } from '@/ui/timers/WaitingCorner';
import { StringBar, type KnotState } from './StringBar';

export interface StringView {
  readonly shopName: string;
  readonly states: readonly KnotState[];
  readonly tight: Knot | null;
}

/** The frame of all screens but the bench: name, string, find, person. */
export function ShopFrame({
  person,
  string,
  children,
}: {
  readonly person: Person;
  readonly string: StringView;
  readonly children: ReactNode;
}) {
  return (
    <Box display="grid" gridTemplateRows="84px 1fr" minH="100vh">
      <Box
        as="header"
        bg="sheet"
        borderBottomWidth="1px"
        borderColor="rule"
        display="flex"
        alignItems="flex-start"
        gap="28px"
        px="18px"
        pt="13px"
      >
        <Box w="130px" flexShrink={0} pt="6px">
          <Link href="/" prefetch={false}>
            <Box as="span" fontWeight="700" fontSize="18px" display="block">
              Plucky Parcel
            </Box>
            <Box as="span" textStyle="caption" color="inkMuted">
              {string.shopName}
            </Box>
          </Link>
        </Box>
        <StringBar states={string.states} tight={string.tight} />
        <Box w="200px" flexShrink={0} ms="auto">
          <FindBox />
          <PersonMenu person={person} />
        </Box>
      </Box>
      <Box as="main" minW="0">
        {children}
      </Box>
      <WaitingCorner />
    </Box>
  );
}
