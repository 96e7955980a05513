'use client';
import { Box } from '@chakra-ui/react';
import type { RackFill } from '@/core/shelf/roomLeft';
import * as words from '@/words/catalogue/racks';

/** A rack as one stands before it: every box with how full it is. */
export function RackPicture({
  rack,
  lit = null,
}: {
  readonly rack: RackFill;
  /** The box in which something goes now. */
  readonly lit?: string | null;
}) {
  // Where boxes are many they are too small to be read, and only show how full they are.
  const hasText = rack.boxes <= 12;
  const full = rack.bins.filter(({ count, room }) => count >= room).length;
  return (
    <Box
      role="img"
      aria-label={words.picture({ code: rack.code, boxes: rack.bins.length, full })}
      display="grid"
      gridTemplateColumns={`repeat(${rack.boxes}, minmax(0, 1fr))`}
      gap="3px"
      w="100%"
      maxW={`${Math.max(rack.boxes * (hasText ? 78 : 22), 160)}px`}
      p="3px"
      bg="rule"
      borderRadius="hard"
      opacity={rack.isInUse ? 1 : 0.5}
    >
      {rack.bins.map(({ code, count, room }) => {
        const isFull = count >= room;
        return (
          <Box
            key={code}
            title={words.box({ bin: code, count, room })}
            bg={code === lit ? 'actionSoft' : isFull ? 'waitingSoft' : 'sheet'}
            outline={code === lit ? '3px solid' : undefined}
            outlineColor="action"
            outlineOffset="-1px"
            minH="40px"
            minW="0"
            overflow="hidden"
            display="flex"
            flexDirection="column"
          >
            {hasText && (
              <Box flex="1" display="flex" justifyContent="space-between" px="8px" pt="5px" textStyle="caption">
                <Box as="span" fontFamily="mono">
                  {code}
                </Box>
                <Box as="span" color={count === 0 ? 'inkMuted' : 'ink'} fontWeight={count === 0 ? '400' : '700'}>
                  {count}
                </Box>
              </Box>
            )}
            <Box mt="auto" h="8px" bg="sunk">
              <Box h="100%" w={`${Math.min(100, (count / room) * 100)}%`} bg={isFull ? 'waiting' : 'action'} />
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
