'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import * as words from '@/words/catalogue/line';

const pages = [
  ['/rules', words.houseRulesShort()],
  ['/prices', words.pricesShort()],
  ['/people', words.peopleShort()],
  ['/shelf/racks', words.racksShort()],
  ['/contacts', words.contactsShort()],
  ['/exports', words.exportsShort()],
] as const;

/** The pages on which leads set up their shop, each one press away from the other. */
export function LeadPages() {
  const here = usePathname();
  return (
    <Box as="nav" aria-label={words.theShop()} display="flex" gap="20px" mb="14px" textStyle="note" flexWrap="wrap">
      {pages.map(([path, name]) => (
        <Link key={path} href={path} prefetch={false} aria-current={here === path ? 'page' : undefined}>
          <Box
            as="span"
            display="inline-block"
            py="6px"
            fontWeight={here === path ? '700' : '400'}
            color={here === path ? 'ink' : 'action'}
            borderBottomWidth="2px"
            borderColor={here === path ? 'action' : 'transparent'}
          >
            {name}
          </Box>
        </Link>
      ))}
    </Box>
  );
}
