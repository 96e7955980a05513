'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { MoreRows, useGrowing } from './growing';
import { RowButton } from './Row';

export interface QueueEntry {
  readonly id: string;
  readonly tag: string;
  readonly words: string;
}

interface QueueProps {
  readonly label: string;
  readonly title: string;
  readonly entries: readonly QueueEntry[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
  /** What stands under them. */
  readonly children?: ReactNode;
}

/** Things that wait at a stage, one of them chosen: the left edge of a screen that takes one after the other. */
export function Queue({ label, title, entries, chosen, onChoose, children }: QueueProps) {
  const { shown, ...more } = useGrowing(entries, ({ id }) => id === chosen);
  return (
    <Box
      as="nav"
      aria-label={label}
      borderEndWidth="1px"
      borderColor="rule"
      py="18px"
      overflowY="auto"
      maxH={{ base: '190px', lg: 'calc(100vh - 84px)' }}
    >
      <Box as="h2" textStyle="section" px="14px" mb="8px">
        {title}
      </Box>
      <ul>
        {shown.map(({ id, tag, words }) => (
          <li key={id}>
            <RowButton
              state={id === chosen ? 'now' : 'plain'}
              press="yes"
              onClick={() => onChoose(id)}
              aria-pressed={id === chosen}
            >
              <Box as="span" textStyle="code" whiteSpace="nowrap">
                {tag}
              </Box>
              <Box as="span" textStyle="note">
                {words}
              </Box>
            </RowButton>
          </li>
        ))}
      </ul>
      <MoreRows {...more} />
      {children}
    </Box>
  );
}
