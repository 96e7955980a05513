'use client';
import { Box } from '@chakra-ui/react';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/bench';

/** What the bench can be told, and then asks more about. */
export type Question = 'gate' | 'part' | 'resists' | 'found' | 'screw' | 'otherwise';

interface BenchKeysProps {
  readonly isTeardown: boolean;
  readonly atGate: boolean;
  /** What the pedal does now, where it is not “done”; null while nothing may be done. */
  readonly pedal: { readonly label: string; readonly press: () => void } | null;
  /** The step waits and could also be done without a timer. */
  readonly canDoUntimed: boolean;
  readonly isHalted: boolean;
  /** Its wait is not over. */
  readonly isEarly: boolean;
  readonly canResist: boolean;
  readonly hasParts: boolean;
  readonly onDone: () => void;
  readonly onPass: () => void;
  readonly onAsk: (question: Question) => void;
  readonly onBreak: () => void;
  readonly onTakeBack: () => void;
  readonly onStop: () => void;
}

/** Everything that can be done at a step, one key and one big target each; space is the one next thing. */
export function BenchKeys({
  isTeardown,
  atGate,
  pedal,
  canDoUntimed,
  isHalted,
  isEarly,
  canResist,
  hasParts,
  ...on
}: BenchKeysProps) {
  return (
    <Box
      as="nav"
      aria-label={words.actions()}
      bg="sheet"
      borderTopWidth="1px"
      borderColor="rule"
      display="flex"
      flexWrap={{ base: 'wrap', xl: 'nowrap' }}
      gap={{ base: '6px', xl: '8px' }}
      px={{ base: '10px', xl: '20px' }}
      py={{ base: '8px', xl: '0' }}
      alignItems="center"
    >
      {isHalted ? (
        <Box flex="2" px="10px" fontWeight="700" color="danger">
          {words.stopped()}
        </Box>
      ) : atGate ? (
        <>
          <KeyButton
            records
            keyName=" "
            label={words.passedContinue()}
            look="action"
            size="wide"
            flex="2"
            whiteSpace="nowrap"
            minW="max-content"
            onPress={on.onPass}
          />
          <KeyButton
            records
            keyName="n"
            label={words.failed()}
            look="danger"
            size="bench"
            flex="1"
            onPress={() => on.onAsk('gate')}
          />
        </>
      ) : (
        <KeyButton
          records
          keyName=" "
          label={pedal?.label ?? words.doneEarly({ isEarly: isEarly ? 'yes' : 'no' })}
          look={isEarly ? 'outline' : 'action'}
          size="wide"
          flex="2"
          whiteSpace="nowrap"
          minW="max-content"
          onPress={pedal?.press ?? on.onDone}
          data-testid="done"
        />
      )}
      {canDoUntimed && <KeyButton records keyName="d" label={words.done()} size="bench" flex="1" onPress={on.onDone} />}
      <KeyButton
        records
        keyName="r"
        label={words.wontComeLoose()}
        size="bench"
        flex="1"
        isEnabled={canResist && !isHalted}
        onPress={() => on.onAsk('resists')}
      />
      <KeyButton
        records
        keyName="b"
        label={words.brokenMissing()}
        look="danger"
        size="bench"
        flex="1"
        isEnabled={hasParts}
        onPress={() => on.onAsk('part')}
      />
      <KeyButton records keyName="g" label={words.found()} size="bench" flex="1" onPress={() => on.onAsk('found')} />
      <KeyButton
        records
        keyName="s"
        label={words.screw()}
        size="bench"
        flex="1"
        isEnabled={!isHalted}
        onPress={() => on.onAsk('screw')}
      />
      <KeyButton
        records
        keyName="o"
        label={words.other()}
        size="bench"
        flex="1"
        isEnabled={!isHalted}
        onPress={() => on.onAsk('otherwise')}
      />
      <KeyButton records keyName="t" label={words.breakWord()} size="bench" flex="1" onPress={on.onBreak} />
      <KeyButton records keyName="u" label={words.undo()} size="bench" flex="1" onPress={on.onTakeBack} />
      {isTeardown && (
        <KeyButton records keyName="h" label={words.stopHere()} size="bench" flex="1" onPress={on.onStop} />
      )}
    </Box>
  );
}
