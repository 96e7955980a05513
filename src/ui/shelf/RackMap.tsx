'use client';
import { Box } from '@chakra-ui/react';
import type { RackFill } from '@/core/shelf/roomLeft';
import * as texts from '@/words/catalogue/shelf';

/** So many racks are drawn; of more, those that something is lit in. */
const mostDrawn = 8;

/**
 * The racks as they stand, small: every box with how full it is, and the box that one has to go to lit. A box is a way to what
 * lies in it.
 */
export function RackMap({
  racks,
  lit,
  chosen,
  onChoose,
}: {
  readonly racks: readonly RackFill[];
  /** The box of the part in hand. */
  readonly lit: string | null;
  /** The bin or rack that the view is limited to. */
  readonly chosen: string | null;
  readonly onChoose: (bin: string | null) => void;
}) {
  const has = (rack: RackFill, bin: string | null) => bin !== null && /^[A-Z]+/.exec(bin)?.[0] === rack.code;
  const drawn =
    racks.length <= mostDrawn
      ? racks
      : [...racks].sort((a, b) => Number(has(b, lit)) - Number(has(a, lit))).slice(0, mostDrawn);
  return (
    <Box display="grid" gridTemplateColumns="repeat(2, minmax(0, 1fr))" gap="12px 14px">
      {drawn.map((rack) => (
        <Box key={rack.code} opacity={rack.isInUse ? 1 : 0.55}>
          <Box
            as="button"
            textStyle="caption"
            color="action"
            pb="3px"
            cursor="pointer"
            fontWeight={chosen === rack.code ? '700' : '400'}
            aria-pressed={chosen === rack.code}
            onClick={() => onChoose(chosen === rack.code ? null : rack.code)}
          >
            {texts.rackWith({ code: rack.code, count: rack.count })}
          </Box>
          <Box
            display="grid"
            gridTemplateColumns={`repeat(${rack.boxes}, minmax(0, 1fr))`}
            gap="2px"
            p="2px"
            bg="rule"
            borderRadius="hard"
          >
            {rack.bins.map(({ code, count, room }) => {
              const isLit = code === lit;
              const isFull = count >= room;
              return (
                <Box
                  as="button"
                  key={code}
                  aria-label={texts.boxSays({ bin: code, count, room, isLit: isLit ? 'yes' : 'no' })}
                  aria-pressed={chosen === code}
                  onClick={() => onChoose(chosen === code ? null : code)}
                  position="relative"
                  h="24px"
                  minW="0"
                  cursor="pointer"
                  bg={isLit ? 'action' : 'sheet'}
                  outline={chosen === code ? '2px solid' : undefined}
                  outlineColor="action"
                  outlineOffset="-2px"
                >
                  {!isLit && (
                    <Box
                      position="absolute"
                      insetX="0"
                      bottom="0"
                      h={`${Math.min(100, (count / room) * 100)}%`}
                      bg={isFull ? 'waiting' : 'twine'}
                      opacity="0.55"
                    />
                  )}
                </Box>
              );
            })}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
