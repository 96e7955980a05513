'use client';
import { Box } from '@chakra-ui/react';
import type { Operation, Rung } from '@/core/procedure/operations';
import type { LadderPolicy, Move } from '@/core/teardown/policy/ladderPolicy';
import { moveAt } from '@/core/teardown/policy/moveAt';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { moveWords } from '../sheetWords';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/benchLater';

interface ResistProps {
  readonly operation: Operation;
  /** The rung that is tried now; 0 while the usual way is. */
  readonly rung: number;
  readonly minutesSpent: number;
  /** Null where no money hangs on it, or the joint has no ladder. */
  readonly policy: LadderPolicy | null;
  readonly onClose: () => void;
  readonly onMove: (move: Exclude<Move, 'go-on'>) => void;
}

/** A joint does not yield: what the minutes spent and what lies behind it speak for comes first, on space. */
export function ResistDialog({ operation, rung, minutesSpent, policy, onClose, onMove }: ResistProps) {
  const next = operation.ladder?.rungs[rung];
  const advised = policy ? moveAt(policy, rung, minutesSpent) : next ? 'next-rung' : 'hand-over';
  const says: Readonly<Record<Move, string>> = {
    'go-on': words.minUsed({ minutesSpent, leaveAt: policy?.stages[rung]?.leaveAt ?? 0 }),
    'next-rung': next ? sayRung(next) : '',
    'hand-over': words.sheetKeepsItsPlaceSomebody(),
    stop: operation.ladder?.stop ?? words.restReplannedWithout(),
  };
  const moves = (['go-on', 'next-rung', 'hand-over', 'stop'] as const).filter(
    (move) => (move !== 'next-rung' || next) && (move !== 'go-on' || advised === 'go-on'),
  );
  const sorted = [...moves].sort((a, b) => Number(b === advised) - Number(a === advised));
  return (
    <KeyLayer>
      <Dialog title={words.wontComeLoose2()} onClose={onClose}>
        <Box color="inkMuted" mb="12px">
          {operation.title}.{' '}
          {words.whatBehindNotWorthMore({ isPolicyStages: policy && policy.stages.length === 0 ? 'yes' : 'no' })}
        </Box>
        <Box display="grid" gap="8px">
          {sorted.map((move) => (
            <KeyButton
              records
              key={move}
              keyName={move === advised ? ' ' : moveKeys[move]}
              label={`${moveWords[move]}: ${says[move]}`}
              look={move === advised ? 'action' : 'outline'}
              justifyContent="flex-start"
              whiteSpace="normal"
              textAlign="start"
              h="auto"
              py="10px"
              onPress={() => {
                if (move !== 'go-on') onMove(move);
                onClose();
              }}
            >
              <span>
                {moveWords[move]}:{' '}
                <Box as="span" fontWeight="400">
                  {says[move]}
                </Box>
              </span>
            </KeyButton>
          ))}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

/** The same finger for the same thing, whatever is advised. */
const moveKeys = { 'next-rung': '1', 'hand-over': '2', stop: '3', 'go-on': '4' } as const;

const sayRung = ({ says, minutes, breakage, mostMinutes, consumable }: Rung): string =>
  words.aboutMinNoMoreThan({
    says,
    minutesValue: minutes,
    mostMinutes,
    breakage: Math.round(breakage * 100),
    name: consumable ? words.needs({ count: consumable.count, name: saySheet(consumable.name) }) : '',
  });
