'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Headline } from '@/ui/base/Headline';
import { ProductMark } from '@/ui/base/ProductMark';

/** A page on a unit under test: one column, large enough for a thumb, nothing of the shop around it. */
export function UnitPage({
  title,
  lead,
  children,
}: {
  readonly title: string;
  readonly lead?: string;
  readonly children: ReactNode;
}) {
  return (
    <Box as="main" minH="100vh" p="20px" display="grid" justifyItems="center" alignContent="start" gap="22px">
      <Box w="100%" maxW="560px">
        <Box mb="22px">
          <ProductMark />
        </Box>
        <Headline lead={lead}>{title}</Headline>
        {children}
      </Box>
    </Box>
  );
}
