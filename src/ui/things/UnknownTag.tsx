'use client';
import { Box } from '@chakra-ui/react';
import { Headline } from '@/ui/base/Headline';
import { Refused } from '@/ui/base/Refused';
import * as words from '@/words/catalogue/things';

export function UnknownTag({ tag }: { readonly tag: string }) {
  return (
    <Box p="28px" maxW="80ch">
      <Headline lead={<Refused refusal={{ reason: 'unknown-tag', values: { tag: tag.toUpperCase().slice(0, 20) } }} />}>
        {words.noSuchTag()}
      </Headline>
    </Box>
  );
}
