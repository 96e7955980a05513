'use client';
import { Box } from '@chakra-ui/react';

interface Scale {
  readonly low: number;
  readonly high: number;
}

/** A range as a bar and the best estimate as a dot, with a tick at zero, on one scale with its neighbours. */
export function RangeBar({
  low,
  best,
  high,
  scale,
  tone,
}: {
  readonly low: number;
  readonly best: number;
  readonly high: number;
  readonly scale: Scale;
  readonly tone: 'action' | 'ink';
}) {
  const at = (value: number) => `${(100 * (value - scale.low)) / Math.max(1, scale.high - scale.low)}%`;
  return (
    <Box position="relative" h="16px" my="2px" aria-hidden>
      <Box position="absolute" left={at(0)} top="0" bottom="0" w="2px" bg="rule" />
      <Box
        position="absolute"
        left={at(low)}
        right={`calc(100% - ${at(high)})`}
        top="6px"
        h="5px"
        borderRadius="full"
        bg={tone}
        opacity={0.45}
      />
      <Box
        position="absolute"
        left={at(best)}
        top="2.5px"
        w="11px"
        h="11px"
        ms="-5.5px"
        borderRadius="full"
        bg={tone}
      />
    </Box>
  );
}
