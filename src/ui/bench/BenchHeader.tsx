'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Tag } from '@/ui/base/Tag';
import type { BenchProps } from './benchProps';

/** Which unit, for what, how far and how long; who and where. */
export function BenchHeader({
  unit,
  model,
  person,
  children,
  progress,
}: Pick<BenchProps, 'unit' | 'model' | 'person'> & { readonly children: ReactNode; readonly progress?: ReactNode }) {
  return (
    <Box
      as="header"
      bg="sheet"
      borderBottomWidth="1px"
      borderColor="rule"
      display="flex"
      alignItems="center"
      gap="20px"
      px="20px"
      h="60px"
    >
      <Tag code={unit.tag} fact={`${model.maker} ${model.name} · rev ${unit.revision}`} href={`/t/${unit.tag}`} />
      <Box flex="1" minW="0" color="inkMuted" whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis">
        {children}
      </Box>
      {progress}
      <Box color="inkMuted" whiteSpace="nowrap">
        {person.bench.replace('-', ' ')} · <strong>{person.name}</strong>
      </Box>
    </Box>
  );
}
