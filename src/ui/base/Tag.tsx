'use client';
import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { eyeletRecipe, tagRecipe } from '@/ui/theme/recipes/tag';

const Root = chakra('span', tagRecipe);
const RootLink = chakra(Link, tagRecipe);
const Eyelet = chakra('span', eyeletRecipe);

/** A unit's or part's label. It links to the thing unless it stands for nothing yet. */
export function Tag({ code, fact, href }: { readonly code: string; readonly fact?: string; readonly href?: string }) {
  const inside = (
    <>
      <Eyelet aria-hidden />
      <Box as="span" textStyle="code">
        {code}
      </Box>
      {fact && (
        <Box as="span" textStyle="note" color="inkMuted" overflow="hidden" textOverflow="ellipsis">
          {fact}
        </Box>
      )}
    </>
  );
  return href ? (
    <RootLink href={href} prefetch={false}>
      {inside}
    </RootLink>
  ) : (
    <Root>{inside}</Root>
  );
}
