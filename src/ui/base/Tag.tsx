'use client';
import { chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { tagRecipe } from '@/ui/theme/recipes/tag';

const Root = chakra('span', tagRecipe);
const RootLink = chakra(Link, tagRecipe);

/**
 * A unit's or part's label. It links to the thing unless it stands for nothing yet. Lists hold many of them, so it is one
 * styled element, and what is inside is styled by it.
 */
export function Tag({ code, fact, href }: { readonly code: string; readonly fact?: string; readonly href?: string }) {
  const inside = (
    <>
      <i aria-hidden />
      <b>{code}</b>
      {fact && <small>{fact}</small>}
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
