'use client';
import { Box } from '@chakra-ui/react';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as texts from '@/words/catalogue/opening';
import { sayRefusal } from '@/words/say/sentences';
import type { Rejected } from '@/ui/server/outbox';
import type { LogMove } from './logOutbox';
import { verbWords } from './verbWords';

/** What the server would not take: said with its reason, and kept until somebody has read it. */
export function RejectedMoves({
  rejected,
  onSettle,
}: {
  readonly rejected: readonly Rejected<LogMove>[];
  readonly onSettle: () => void;
}) {
  return (
    <Caution what={texts.stepRejected({ count: rejected.length })}>
      {rejected.map(({ letter: move, refusal }) => (
        <Box key={move.id}>
          {move.does === 'log'
            ? texts.refusedStep({
                step: texts.stepInShort({ verb: verbWords[move.entry.verb][move.entry.leg], thing: move.entry.thing }),
                refusal: sayRefusal(refusal),
              })
            : texts.refusedUndo({ refusal: sayRefusal(refusal) })}
        </Box>
      ))}
      <KeyButton keyName="x" label={texts.discardRejected()} size="small" onPress={onSettle} />
    </Caution>
  );
}
