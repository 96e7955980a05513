'use client';
import { Box } from '@chakra-ui/react';
import type { Openability } from '@/core/teardown/openability';
import { Section } from '@/ui/base/Section';
import { minutes, sayOpening } from './planWords';
import * as words from '@/words/catalogue/planner';

/** How hard the device is to open, by the parts that fail most, with the arithmetic. */
export function Openings({ openability: { openings, minutes: mean } }: { readonly openability: Openability }) {
  return (
    <Section title={words.reachingWhatFailsMost()} note={words.onAverage({ mean: minutes(mean) })} mt="18px">
      <Box as="ul" pt="6px" textStyle="note">
        {openings.map((opening) => (
          <Box as="li" key={opening.part} py="3px">
            {sayOpening(opening)}
          </Box>
        ))}
      </Box>
    </Section>
  );
}
