'use client';
import { money, signedMoney } from '@/words/format';
import { say as sayTriage } from '@/words/catalogue/core/triage';
import { Box } from '@chakra-ui/react';
import type { Disposition } from '@/core/entities/stages';
import type { Turn } from '@/core/triage/proposeDisposition';
import type { Figure, Valued } from '@/core/triage/valued';
import { RangeBar } from '@/ui/base/RangeBar';
import { KeyButton } from '@/ui/keys/KeyButton';
import { dispositionNames } from '@/words/say/names';
import * as words from '@/words/catalogue/triage';

const keys: Readonly<Record<Disposition, string>> = {
  build: 'b',
  donor: 'd',
  'as-is': 's',
  recycle: 'r',
  quarantine: 'q',
};
const all = Object.keys(keys) as readonly Disposition[];

/** Every choice with its money and the sentence that decides it, best first. */
export function DispositionList({
  valued,
  turn,
  proposed,
  isExplained,
  onDecide,
}: {
  readonly valued: readonly Valued[];
  readonly turn: Turn | null;
  readonly proposed: Disposition;
  /** Every figure with the lines that it is the sum of. */
  readonly isExplained: boolean;
  readonly onDecide: (disposition: Disposition) => void;
}) {
  const scale = {
    low: Math.min(0, ...valued.map(({ lowCents }) => lowCents)),
    high: Math.max(1, ...valued.map(({ highCents }) => highCents)),
  };
  const shown =
    valued.length > 0
      ? valued.map(({ disposition }) => disposition)
      : all.filter((disposition) => disposition === 'quarantine');
  return (
    <Box as="ul" mx="-20px">
      {shown.map((disposition) => {
        const entry = valued.find((candidate) => candidate.disposition === disposition);
        const isFirst = disposition === proposed;
        return (
          <Box
            as="li"
            key={disposition}
            px="20px"
            py="10px"
            bg={isFirst ? 'actionSoft' : undefined}
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Box display="flex" alignItems="center" gap="12px">
              <KeyButton
                records
                // Before a unit is identified no letter decides: it may be the first of a serial that is typed.
                keyName={valued.length > 0 ? keys[disposition] : undefined}
                label={dispositionNames[disposition]}
                size="small"
                look="quiet"
                bg="sheet"
                flex="1"
                justifyContent="flex-start"
                fontSize={isFirst ? '19px' : '16px'}
                onPress={() => onDecide(disposition)}
              />
              <Box
                as="span"
                fontSize={isFirst ? '20px' : '17px'}
                fontWeight={isFirst ? '700' : '400'}
                whiteSpace="nowrap"
              >
                {!entry || disposition === 'quarantine'
                  ? ''
                  : entry.isPossible
                    ? signedMoney(entry.cents)
                    : words.notPossible()}
              </Box>
            </Box>
            {entry?.isPossible && disposition !== 'quarantine' && (
              <RangeBar
                low={entry.lowCents}
                best={entry.cents}
                high={entry.highCents}
                scale={scale}
                tone={isFirst ? 'action' : 'ink'}
              />
            )}
            <Box textStyle="note" color="inkMuted">
              {entry ? sayTriage(entry.because) : words.modelUnknownKeepApartOr()}
              {isFirst && turn && ` ${sayTurn(turn)}`}
            </Box>
            {isExplained && entry && entry.figures.length > 0 && (
              <Arithmetic figures={entry.figures} cents={entry.cents} />
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** Where another choice would win: "Parts win from 84 in 100 sound displays; now 71." */
const sayTurn = ({ name, share, turnsAt, to }: Turn): string =>
  words.betterIfYieldRisesAbove({
    to: dispositionNames[to],
    isTurnsAtShare: turnsAt > share ? 'yes' : 'no',
    turnsAt: Math.round(turnsAt * 100),
    name,
    shareValue: Math.round(share * 100),
  });

/** The lines that a figure is the sum of. */
function Arithmetic({ figures, cents: total }: { readonly figures: readonly Figure[]; readonly cents: number }) {
  return (
    <Box as="ul" textStyle="note" mt="6px" borderTopWidth="1px" borderColor="rule" aria-label={words.arithmetic()}>
      {figures.map(({ says, cents }) => (
        <Box as="li" key={sayTriage(says)} display="flex" justifyContent="space-between" gap="10px" py="2px">
          <span>{sayTriage(says)}</span>
          <Box as="span" fontFamily="mono" whiteSpace="nowrap">
            {money(cents)}
          </Box>
        </Box>
      ))}
      <Box
        as="li"
        display="flex"
        justifyContent="space-between"
        gap="10px"
        mt="2px"
        pt="3px"
        borderTopWidth="1px"
        borderColor="rule"
        fontWeight="700"
      >
        <span>{words.together()}</span>
        <Box as="span" fontFamily="mono" whiteSpace="nowrap">
          {money(total)}
        </Box>
      </Box>
    </Box>
  );
}
