'use client';
import { Box } from '@chakra-ui/react';
import type { Part } from '@/core/entities/entities';
import type { SlotNeed } from '@/core/sale/slots';
import type { SaleGrade } from '@/core/shared/grades';
import * as words from '@/words/catalogue/match';

/** One slot of one unit: its own part, one set aside, or a gap. */
export function SlotCell({
  need,
  part,
  sellsAt,
}: {
  readonly need: SlotNeed;
  readonly part: Part | undefined;
  readonly sellsAt: SaleGrade;
}) {
  if (part) {
    return (
      <Box
        as="span"
        display="inline-flex"
        gap="6px"
        px="8px"
        py="3px"
        bg="sheet"
        borderWidth="1px"
        borderColor="rule"
        borderRadius="soft"
        alignItems="baseline"
      >
        <strong>{part.grade}</strong>
        <Box as="span" fontFamily="mono" fontSize="12px" color="inkMuted">
          {part.tag.slice(2)}
        </Box>
      </Box>
    );
  }
  if (need.isNeeded) {
    return (
      <Box
        as="span"
        px="8px"
        py="3px"
        borderWidth="1.5px"
        borderStyle="dashed"
        borderColor="waiting"
        bg="waitingSoft"
        color="waiting"
        borderRadius="soft"
        fontSize="13px"
      >
        {words.needed()}
      </Box>
    );
  }
  const holdsDown = need.part.slot === 'cosmetic' && need.ownGrade === sellsAt && sellsAt !== 'A';
  return (
    <Box as="span" fontWeight="600" borderBottomWidth={holdsDown ? '3px' : '0'} borderColor="danger">
      {need.ownGrade}
    </Box>
  );
}
