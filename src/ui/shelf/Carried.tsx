'use client';
import { Box } from '@chakra-ui/react';
import { carriedBy, type Part } from '@/core/entities/entities';
import type { ShelfView } from '@/services/shelf/readShelf';
import * as texts from '@/words/catalogue/shelf';

/** What is still on an assembly and need not be moved to it. */
export function Carried({ part, kinds }: { readonly part: Part; readonly kinds: ShelfView['kinds'] }) {
  const carries = carriedBy(part);
  if (carries.length === 0) return null;
  return (
    <Box as="span" color="inkMuted">
      {texts.withParts({ parts: carries.map((id) => kinds[`${part.modelId}/${id}`]?.name ?? id) })}
    </Box>
  );
}
