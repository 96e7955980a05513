'use client';
import { Box } from '@chakra-ui/react';
import { KeyButton } from '@/ui/keys/KeyButton';

/** What the bench can be told, and then asks more about. */
export type Question = 'part' | 'resists' | 'found' | 'screw' | 'otherwise';

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
  readonly onJudge: (hasPassed: boolean) => void;
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
      aria-label="What can be done"
      bg="sheet"
      borderTopWidth="1px"
      borderColor="rule"
      display="flex"
      gap="8px"
      px="20px"
      alignItems="center"
    >
      {isHalted ? (
        <Box flex="2" px="10px" fontWeight="700" color="danger">
          Stopped
        </Box>
      ) : atGate ? (
        <>
          <KeyButton
            keyName=" "
            label="It passes, go on"
            look="action"
            size="wide"
            flex="2"
            whiteSpace="nowrap"
            minW="max-content"
            onPress={() => on.onJudge(true)}
          />
          <KeyButton
            keyName="n"
            label="It fails"
            look="danger"
            size="bench"
            flex="1"
            onPress={() => on.onJudge(false)}
          />
        </>
      ) : (
        <KeyButton
          keyName=" "
          label={pedal?.label ?? (isEarly ? 'Done early' : 'Done, next')}
          look={isEarly ? 'outline' : 'action'}
          size="wide"
          flex="2"
          whiteSpace="nowrap"
          minW="max-content"
          onPress={pedal?.press ?? on.onDone}
          data-testid="done"
        />
      )}
      {canDoUntimed && <KeyButton keyName="d" label="Done" size="bench" flex="1" onPress={on.onDone} />}
      <KeyButton
        keyName="r"
        label="It resists"
        size="bench"
        flex="1"
        isEnabled={canResist && !isHalted}
        onPress={() => on.onAsk('resists')}
      />
      <KeyButton
        keyName="b"
        label="Broke, missing"
        look="danger"
        size="bench"
        flex="1"
        isEnabled={hasParts}
        onPress={() => on.onAsk('part')}
      />
      <KeyButton keyName="g" label="Found" size="bench" flex="1" onPress={() => on.onAsk('found')} />
      <KeyButton
        keyName="s"
        label="Screw"
        size="bench"
        flex="1"
        isEnabled={!isHalted}
        onPress={() => on.onAsk('screw')}
      />
      <KeyButton
        keyName="o"
        label="Otherwise"
        size="bench"
        flex="1"
        isEnabled={!isHalted}
        onPress={() => on.onAsk('otherwise')}
      />
      <KeyButton keyName="t" label="Break" size="bench" flex="1" onPress={on.onBreak} />
      <KeyButton keyName="u" label="Take back" size="bench" flex="1" onPress={on.onTakeBack} />
      {isTeardown && <KeyButton keyName="h" label="Stop here" size="bench" flex="1" onPress={on.onStop} />}
    </Box>
  );
}
