'use client';
import { Box } from '@chakra-ui/react';
import { Headline } from '@/ui/base/Headline';
import { sentences } from '@/ui/words/sentences';

export function UnknownTag({ tag }: { readonly tag: string }) {
  return (
    <Box p="28px" maxW="80ch">
      <Headline lead={sentences['unknown-tag']({ tag: tag.toUpperCase().slice(0, 20) })}>No such tag</Headline>
    </Box>
  );
}
