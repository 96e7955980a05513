'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import type { BenchProps } from './benchProps';
import * as words from '@/words/catalogue/bench';

/** Which unit, for what, how far and how long; who and where. */
export function BenchHeader({
  unit,
  model,
  person,
  children,
  progress,
  onLeave,
  aim,
}: Pick<BenchProps, 'unit' | 'model' | 'person'> & {
  readonly children: ReactNode;
  readonly progress?: ReactNode;
  readonly onLeave?: () => void;
  /** What may be cut off in a narrow window. */
  readonly aim?: string;
}) {
  return (
    <Box
      as="header"
      bg="sheet"
      borderBottomWidth="1px"
      borderColor="rule"
      display="flex"
      alignItems="center"
      flexWrap={{ base: 'wrap', lg: 'nowrap' }}
      gap={{ base: '6px 14px', lg: '20px' }}
      px="20px"
      py={{ base: '6px', lg: '0' }}
      minH="60px"
    >
      <Tag
        code={unit.tag}
        fact={words.rev({ maker: model.maker, name: model.name, revision: unit.revision })}
        href={`/t/${unit.tag}`}
      />
      <Box
        flex="1"
        minW={{ base: '160px', lg: '0' }}
        color="inkMuted"
        whiteSpace="nowrap"
        overflow="hidden"
        textOverflow="ellipsis"
        title={aim}
      >
        {children}
      </Box>
      {progress}
      <Box color="inkMuted" whiteSpace="nowrap">
        {person.bench.replace('-', ' ')} · <strong>{person.name}</strong>
      </Box>
      {onLeave && <KeyButton keyName="Escape" label={words.leave()} size="small" onPress={onLeave} />}
    </Box>
  );
}
