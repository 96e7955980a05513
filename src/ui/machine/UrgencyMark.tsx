import { Box } from '@chakra-ui/react';
import { CircleCheck, Clock, TriangleAlert } from 'lucide-react';
import type { Urgency } from '@/core/machine/judgeMachine';
import * as words from '@/words/catalogue/machine';

const marks = {
  now: { Symbol: TriangleAlert, color: 'danger', word: words.now() },
  soon: { Symbol: Clock, color: 'waiting', word: words.soon() },
  fine: { Symbol: CircleCheck, color: 'sound', word: words.fine() },
} as const;

/** How much something presses: by its shape and its word, and by colour for who sees it. */
export function UrgencyMark({ urgency }: { readonly urgency: Urgency }) {
  const { Symbol, color, word } = marks[urgency];
  return (
    <Box display="flex" alignItems="center" gap="7px" w="78px" flexShrink={0} color={color} fontWeight="700" pt="2px">
      <Symbol size={20} aria-hidden />
      {word}
    </Box>
  );
}
