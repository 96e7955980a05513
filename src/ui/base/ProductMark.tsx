'use client';
import { chakra } from '@chakra-ui/react';

/** The product's face: a luggage label on its string. */
export function ProductMark() {
  return (
    <chakra.svg viewBox="0 0 44 32" w="88px" h="64px" fill="none" aria-hidden flexShrink={0}>
      <chakra.path d="M0 20C5 20 7 11 12 14.500" stroke="twine" strokeWidth="2" strokeLinecap="round" />
      <chakra.path d="M14 10l8-6h20v24H22l-8-6z" fill="sheet" stroke="twine" strokeWidth="2" strokeLinejoin="round" />
      <chakra.circle cx="20" cy="16" r="3" fill="paper" stroke="twine" strokeWidth="2" />
      <chakra.path d="M27 12h10M27 16h10M27 20h6" stroke="action" strokeWidth="2" strokeLinecap="round" />
    </chakra.svg>
  );
}
