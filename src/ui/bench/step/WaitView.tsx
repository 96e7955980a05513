'use client';
import { capital, stopwatch } from '@/words/format';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import type { Timer } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Meanwhile } from '@/services/bench/readMeanwhile';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayFixture, secondsLeft } from '@/ui/timers/timeLeft';
import { HeatPanel } from '../LaterPanels';
import { useShopSecond } from '@/ui/timers/useSecond';
import * as words from '@/words/catalogue/bench';

interface WaitProps {
  readonly step: SheetStep;
  readonly timer: Timer;
  readonly meanwhile: readonly Meanwhile[];
  readonly onTake: (tag: string) => void;
  readonly model: Model;
  readonly operation: Operation | undefined;
  readonly outParts: readonly string[];
}

/** The unit waits and needs nobody: how long still, and which other unit can be taken up until then. */
export function WaitView({ step, timer, meanwhile, onTake, model, operation, outParts }: WaitProps) {
  const second = useShopSecond();
  const left = second === 0 ? timer.minutes * 60 : secondsLeft(timer, second * 1000);
  return (
    <Box as="main" p="20px 26px" overflowY="auto" minW="0" tabIndex={0}>
      <Box as="h1" textStyle="instruction">
        {left > 0 ? capital(step.wait ? saySheet(step.wait.what) : words.waiting2()) : words.readyContinue()}
      </Box>
      <Box textStyle="lead" fontSize="19px" mt="6px" mb="20px">
        {words.ringsHereAndOnEvery({ title: saySheet(step.title), timer: sayFixture(timer) })}
      </Box>
      <Box
        role="timer"
        bg={left > 0 ? 'waitingSoft' : 'waiting'}
        color={left > 0 ? 'waiting' : 'sheet'}
        fontSize="88px"
        fontWeight="700"
        lineHeight="1"
        p="34px 40px"
        maxW="480px"
        textAlign="center"
      >
        {left > 0 ? stopwatch(left) : `+ ${stopwatch(-left)}`}
      </Box>
      {operation?.heat && (
        <HeatPanel model={model} operation={operation} outParts={outParts} beganAt={timer.beganAt} isTimed />
      )}
      <Box maxW="640px" mt="28px">
        <Section title={words.meanwhile()} note={meanwhile.length === 0 ? words.noOtherUnitReadyFor() : undefined}>
          <Box as="ul" display="grid" gap="8px" pt="10px">
            {meanwhile.map(({ tag, modelName, next, minutes }, index) => (
              <Box as="li" key={tag} display="flex" gap="14px" alignItems="center">
                {index === 0 ? (
                  <KeyButton keyName="m" label={words.take({ tag })} look="outline" onPress={() => onTake(tag)} />
                ) : (
                  <Link href={`/bench/${tag}`} prefetch={false}>
                    <Box as="strong" fontFamily="mono" px="14px">
                      {tag}
                    </Box>
                  </Link>
                )}
                <Box flex="1" minW="0">
                  {modelName}, {saySheet(next)}
                </Box>
                <Box whiteSpace="nowrap" color="inkMuted">
                  {words.toMin({ low: Math.round(minutes.low), high: Math.round(minutes.high) })}
                </Box>
              </Box>
            ))}
          </Box>
        </Section>
      </Box>
    </Box>
  );
}
