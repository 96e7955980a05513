'use client';
import { Box } from '@chakra-ui/react';
import { Check, CircleDashed, X } from 'lucide-react';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import { KeyButton } from '@/ui/keys/KeyButton';
import { resultNames, testNames } from '@/words/say/names';
import * as texts from '@/words/catalogue/triage';

const next: Readonly<Record<TestResult, TestResult>> = { 'not-tested': 'sound', sound: 'fault', fault: 'not-tested' };
const looks = { sound: 'sound', fault: 'fault', 'not-tested': 'quiet' } as const;
const symbols = { sound: Check, fault: X, 'not-tested': CircleDashed } as const;

/** As they lie on the keyboard. */
const testKeys = [...'1234567890-'];

interface QuickTestsProps {
  readonly tests: readonly DeviceTest[];
  readonly results: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  readonly onNote: (test: DeviceTest, result: TestResult) => void;
}

/** One key a test, three states: not tested, sound, fault, and round again. */
export function QuickTests({ tests, results, onNote }: QuickTestsProps) {
  const open = tests.filter((test) => (results[test] ?? 'not-tested') === 'not-tested');
  return (
    <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(118px, 1fr))" gap="6px">
      {tests.map((test, index) => {
        const result = results[test] ?? 'not-tested';
        const Symbol = symbols[result];
        return (
          <KeyButton
            records
            key={test}
            keyName={testKeys[index] ?? '-'}
            label={texts.testIs({ test: testNames[test], result: resultNames[result] })}
            look={looks[result]}
            justifyContent="flex-start"
            px="8px"
            gap="7px"
            fontSize="14px"
            lineHeight="1.1"
            onPress={() => onNote(test, next[result])}
          >
            <Box as="span" flex="1" minW="0">
              {testNames[test]}
            </Box>
            <Box as="span" flexShrink={0} display="flex">
              <Symbol size={15} aria-label={resultNames[result]} />
            </Box>
          </KeyButton>
        );
      })}
      <KeyButton
        records
        keyName="y"
        label={texts.restOk()}
        look="outline"
        justifyContent="flex-start"
        px="8px"
        gap="7px"
        fontSize="14px"
        whiteSpace="nowrap"
        isEnabled={open.length > 0}
        onPress={() => open.forEach((test) => onNote(test, 'sound'))}
      />
    </Box>
  );
}
