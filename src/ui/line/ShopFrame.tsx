'use client';
import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Person } from '@/core/people/roles';
import { FindBox } from './FindBox';
import { PersonMenu } from './PersonMenu';
import { WaitingCorner } from '@/ui/timers/WaitingCorner';
import type { LineView } from '@/services/line/readLine';
import { LineBar } from './LineBar';
import * as words from '@/words/catalogue/line';

/** The first stop of Tab: past the line and the find box. Only seen when it has the focus. */
const SkipLink = chakra('a', {
  base: {
    position: 'absolute',
    insetInlineStart: '18px',
    top: '-60px',
    zIndex: 5,
    bg: 'action',
    color: 'onAction',
    p: '10px 16px',
    borderRadius: 'soft',
    _focusVisible: { top: '10px' },
  },
});

/** The frame of all screens but the bench: name, line of work, find, person. */
export function ShopFrame({
  person,
  line,
  children,
}: {
  readonly person: Person;
  readonly line: LineView;
  readonly children: ReactNode;
}) {
  return (
    <Box
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows={{ base: 'auto 1fr', lg: '84px 1fr' }}
      minH="100vh"
    >
      <SkipLink href="#content">{words.skipToContent()}</SkipLink>
      <Box
        as="header"
        bg="sheet"
        borderBottomWidth="1px"
        borderColor="rule"
        display="flex"
        flexWrap={{ base: 'wrap', lg: 'nowrap' }}
        alignItems="flex-start"
        gap={{ base: '8px 28px', lg: '28px' }}
        px="18px"
        pt="13px"
        pb={{ base: '8px', lg: '0' }}
      >
        <Box w={{ base: '100%', sm: '130px' }} flexShrink={0} pt={{ base: '0', sm: '6px' }}>
          <Link href="/" prefetch={false}>
            <Box as="span" fontWeight="700" fontSize="18px" display={{ base: 'inline', sm: 'block' }} me="8px">
              {words.pluckyParcel()}
            </Box>
            <Box as="span" textStyle="caption" color="inkMuted">
              {line.shopName}
            </Box>
          </Link>
        </Box>
        <Box flex={{ base: '1 0 100%', lg: '1' }} order={{ base: 3, lg: 0 }} minW="0">
          <LineBar line={line} />
        </Box>
        <Box w={{ base: '100%', sm: '200px' }} flexShrink={0} ms="auto">
          <FindBox />
          <PersonMenu person={person} benchName={line.benchName} />
        </Box>
      </Box>
      <Box as="main" id="content" tabIndex={-1} minW="0" outline="none" pb={{ base: '76px', sm: '0' }}>
        {children}
      </Box>
      <WaitingCorner />
    </Box>
  );
}
