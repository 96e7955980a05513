'use client';
import { Box } from '@chakra-ui/react';
import { Check, ChevronRight, CircleDashed, CircleHelp, X } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import type { SelfRead, SelfTestKind } from '@/core/selfTest/reads';
import type { Refusal } from '@/core/shared/outcome';
import type { SelfTestView } from '@/services/selfTest/readSelfTest';
import { Button } from '@/ui/base/Button';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { send } from '@/ui/server/send';
import { resultNames, testNames } from '@/words/say/names';
import * as texts from '@/words/catalogue/selfTest';
import { CamerasTest } from './CamerasTest';
import { KeysTest } from './KeysTest';
import { kindNames } from './kindNames';
import { PictureTest } from './PictureTest';
import { SoundTest } from './SoundTest';
import { TouchTest } from './TouchTest';
import { UnitPage } from './UnitPage';
import { VibrationTest } from './VibrationTest';

type Tests = Readonly<Partial<Record<DeviceTest, TestResult>>>;

interface Unsent {
  readonly id: string;
  readonly read: SelfRead;
}

/** The tests of a unit in its own browser, one after the other; what each reads is at the bench as soon as it is over. */
export function SelfTestScreen({ code }: { readonly code: string }) {
  const [view, setView] = useState<SelfTestView | null>(null);
  const [running, setRunning] = useState<SelfTestKind | null>(null);
  const [results, setResults] = useState<Readonly<Partial<Record<SelfTestKind, Tests>>>>({});
  const [unsent, setUnsent] = useState<Unsent | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const load = useCallback(
    () =>
      send<SelfTestView>('GET', `/api/self-tests/${code}`).then((answer) =>
        answer.ok ? setView(answer.value) : setRefusal(answer.refusal),
      ),
    [code],
  );
  useEffect(() => void load(), [load]);

  const hand = async (given: Unsent) => {
    setRunning(null);
    setUnsent(given);
    setRefusal(null);
    const answer = await send<{ tests: Tests }>('POST', `/api/self-tests/${code}`, given);
    if (!answer.ok) return setRefusal(answer.refusal);
    setUnsent(null);
    return setResults((before) => ({ ...before, [given.read.is]: answer.value.tests }));
  };
  const test = {
    onRead: (read: SelfRead) => void hand({ id: makeId(), read }),
    onLeave: () => setRunning(null),
  };

  if (running === 'picture') return <PictureTest {...test} />;
  if (running === 'touch') return <TouchTest {...test} />;
  if (running === 'sound') return <SoundTest {...test} />;
  if (running === 'cameras') return <CamerasTest {...test} code={code} />;
  if (running === 'vibration') return <VibrationTest {...test} />;
  if (running === 'keys') return <KeysTest {...test} />;

  if (!view)
    return (
      <UnitPage title={refusal ? texts.pageTitle() : texts.opening()}>
        <RefusalAlert refusal={refusal} />
      </UnitPage>
    );
  const isDone = (kind: SelfTestKind) => view.done.includes(kind) || Object.keys(results[kind] ?? {}).length > 0;
  const open = view.asked.filter((kind) => !isDone(kind));
  const [next] = open;
  return (
    <UnitPage
      title={texts.testsItself({ tag: view.tag, left: open.length })}
      lead={texts.resultsAppear({ modelName: view.modelName || texts.unknownModel() })}
    >
      <RefusalAlert refusal={refusal} />
      {refusal && unsent && (
        <Button look="action" size="wide" mt="12px" onClick={() => void hand(unsent)}>
          {texts.sendAgain()}
        </Button>
      )}
      <Box as="ul" display="grid" my="18px">
        {view.asked.map((kind) => (
          <li key={kind}>
            <Button
              w="100%"
              minH="64px"
              fontSize="18px"
              borderWidth="0"
              borderBottomWidth="1px"
              borderRadius="0"
              justifyContent="flex-start"
              onClick={() => setRunning(kind)}
            >
              <Standing isDone={isDone(kind)} tests={results[kind]} />
              <Box as="span" flex="1">
                {kindNames[kind]}
                <Box as="span" display="block" textStyle="note" color="inkMuted" fontWeight="400">
                  {sayTests(results[kind]) || (isDone(kind) ? texts.done() : texts.notDone())}
                </Box>
              </Box>
              <ChevronRight size={20} aria-hidden />
            </Button>
          </li>
        ))}
      </Box>
      {next ? (
        <Button look="action" size="wide" w="100%" onClick={() => setRunning(next)}>
          {texts.start({ test: kindNames[next] })}
        </Button>
      ) : (
        <Box textStyle="figure">{texts.allDone()}</Box>
      )}
    </UnitPage>
  );
}

function Standing({ isDone, tests }: { readonly isDone: boolean; readonly tests: Tests | undefined }) {
  const all = Object.values(tests ?? {});
  if (all.includes('fault')) return <X size={24} aria-hidden />;
  if (tests && all.length === 0) return <CircleHelp size={24} aria-hidden />;
  return isDone ? <Check size={24} aria-hidden /> : <CircleDashed size={24} aria-hidden />;
}

function sayTests(tests: Tests | undefined): string {
  if (!tests) return '';
  const said = Object.entries(tests).map(([test, result]) =>
    texts.testResult({ test: testNames[test as DeviceTest], result: resultNames[result] }),
  );
  return said.length > 0 ? said.join(' · ') : texts.undecided();
}
