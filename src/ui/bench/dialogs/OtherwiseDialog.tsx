'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { skipCauses, type SkipCause } from '@/core/entities/stages';
import type { Operation, OperationEnd } from '@/core/procedure/operations';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { skipWords } from '../sheetWords';
import * as words from '@/words/catalogue/benchLater';
import * as counts from '@/words/catalogue/counts';

const skipKeys: Readonly<Record<SkipCause, string>> = { 'done-already': 'd', 'not-there': 'm', 'not-needed': 'x' };

interface OtherwiseProps {
  /** The operation of a step on the way out. */
  readonly operation: Operation | undefined;
  readonly canSkip: boolean;
  readonly onEnd: (endId: string) => void;
  readonly onSkip: (because: SkipCause) => void;
  readonly onNote: (text: string) => void;
  readonly onHandOver: () => void;
  readonly onPrint: () => void;
  readonly onClose: () => void;
}

/** It went otherwise than the sheet says: another end, passed over, handed over; or something to write down. */
export function OtherwiseDialog({
  operation,
  canSkip,
  onEnd,
  onSkip,
  onNote,
  onHandOver,
  onPrint,
  onClose,
}: OtherwiseProps) {
  const [isWriting, setWriting] = useState(false);
  const and = (act: () => void) => () => {
    act();
    onClose();
  };
  const line = { look: 'outline', justifyContent: 'flex-start' } as const;
  return (
    <KeyLayer>
      <Dialog title={words.writeNote({ isWriting: isWriting ? 'yes' : 'no' })} onClose={onClose}>
        {isWriting ? (
          <Note onNote={(text) => and(() => onNote(text))()} />
        ) : (
          <Box display="grid" gap="8px" minW="520px">
            {unusualEnds(operation).map((end, index) => (
              <KeyButton
                records
                key={end.id}
                keyName={String(index + 1)}
                label={sayEnd(end)}
                {...line}
                whiteSpace="normal"
                textAlign="start"
                h="auto"
                py="10px"
                onPress={and(() => onEnd(end.id))}
              />
            ))}
            {canSkip &&
              skipCauses.map((because) => (
                <KeyButton
                  records
                  key={because}
                  keyName={skipKeys[because]}
                  label={skipWords[because]}
                  {...line}
                  onPress={and(() => onSkip(because))}
                />
              ))}
            <KeyButton records keyName="h" label={words.handUnitOverToSomebody()} {...line} onPress={and(onHandOver)} />
            <KeyButton keyName="p" label={words.printRunSheet()} {...line} onPress={and(onPrint)} />
            <KeyButton records keyName="n" label={words.writeNote2()} {...line} onPress={() => setWriting(true)} />
          </Box>
        )}
      </Dialog>
    </KeyLayer>
  );
}

/** All ends but the usual one, which is “done”. */
function unusualEnds(operation: Operation | undefined): readonly OperationEnd[] {
  const sorted = [...(operation?.ends ?? [])].sort((a, b) => b.chance - a.chance);
  return sorted.slice(1);
}

const sayEnd = ({ says, then, debt, chance }: OperationEnd): string =>
  [counts.chanceAfter({ what: says, chance }), then, debt && words.owedOnRebuild2({ says: saySheet(debt.says) })]
    .filter(Boolean)
    .join(' ');

function Note({ onNote }: { readonly onNote: (text: string) => void }) {
  const [typed, setTyped] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim() !== '') onNote(typed.trim());
      }}
    >
      <Input
        aria-label={words.note()}
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
        maxLength={500}
        minH="52px"
        w="520px"
        autoFocus
        autoComplete="off"
      />
      <Button type="submit" look="action" size="wide" mt="14px" w="100%" disabled={typed.trim() === ''}>
        <KeyCap name="Enter" /> {words.saveNote()}
      </Button>
    </form>
  );
}
