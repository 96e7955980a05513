'use client';
import { Box } from '@chakra-ui/react';
import type { ComponentProps } from 'react';
import { KeyButton } from '@/ui/keys/KeyButton';

/** Steps that come before anybody’s word, ticked off by their digits. */
export function SafetySteps({
  steps,
  done,
  onDone,
  size,
}: {
  readonly steps: readonly string[];
  readonly done: readonly number[];
  readonly onDone: (done: readonly number[]) => void;
  readonly size?: ComponentProps<typeof KeyButton>['size'];
}) {
  return (
    <Box as="ol" display="grid" gap="8px" listStyleType="none">
      {steps.map((step, at) => {
        const isDone = done.includes(at);
        return (
          <li key={step}>
            <KeyButton
              records
              keyName={String(at + 1)}
              label={step}
              look={isDone ? 'outline' : 'quiet'}
              size={size}
              w="100%"
              h="auto"
              py="10px"
              whiteSpace="normal"
              textAlign="start"
              justifyContent="flex-start"
              aria-pressed={isDone}
              onPress={() => onDone(isDone ? done.filter((one) => one !== at) : [...done, at])}
            >
              {isDone ? '✓ ' : ''}
              {step}
            </KeyButton>
          </li>
        );
      })}
    </Box>
  );
}
