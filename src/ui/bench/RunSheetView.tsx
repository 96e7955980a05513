'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { SheetState } from '@/core/entities/entities';
import { nextStep } from '@/core/sheet/sheetSteps';
import { wantedParts } from '@/core/sheet/wantedParts';
import { getModelPart } from '@/core/procedure/model';
import type { Span } from '@/core/statistics/productLimit';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { firstRoundOf, type SheetStep } from '@/core/teardown/sheet/sheetStep';
import { secondsLeft } from '@/ui/timers/timeLeft';
import { useShopSecond } from '@/ui/timers/useSecond';
import type { Asked } from './dialogs/BenchDialogs';
import { BenchHeader } from './BenchHeader';
import { BenchKeys } from './BenchKeys';
import type { BenchProps } from './benchProps';
import { BenchSide } from './BenchSide';
import { BreakDialog } from './dialogs/BreakDialog';
import { BenchDialogs, readyForOutage } from './LaterPanels';
import { SheetCentre } from './SheetCentre';
import { StepClock } from './step/StepClock';
import { StillToCome } from './StillToCome';
import { ThreadView } from './ThreadView';
import { useAwake } from './useAwake';
import { useBenchActs } from './useBenchActs';
import { useReplan } from './useReplan';
import { useSheetWorth } from './useSheetWorth';
import { useStepClock } from './step/useStepClock';
import * as words from '@/words/catalogue/bench';

const noTimes: readonly Span[] = [];

/** The run sheet: one step at a time in the middle, the thread of all of them left, tray and freed parts right. */
export function RunSheetView(props: BenchProps & { readonly state: SheetState; readonly sheet: RunSheet }) {
  const { unit, model, state, sheet } = props;
  const router = useRouter();
  useAwake();
  useEffect(readyForOutage, [unit.tag]);
  const step = nextStep(sheet.steps, state) ?? (sheet.steps.at(-1) as SheetStep);
  const operation = step.leg === 'out' ? model.operations.find(({ id }) => id === step.operationId) : undefined;
  const timer = unit.timer?.stepId === step.id ? unit.timer : null;
  const clock = useStepClock(unit.id, step, timer, props.timed[firstRoundOf(step.id)] ?? noTimes);
  const [asks, setAsks] = useState<Asked | null>(null);
  const [faceShift, setFaceShift] = useState(0);
  const replanning = useReplan(props);
  const acts = useBenchActs({ ...props, step, operation, clock, replanning, onMoved: () => setFaceShift(0) });
  const { rest, policy } = useSheetWorth(props, state, sheet, step);

  const second = useShopSecond();
  const isEarly = timer !== null && second > 0 && secondsLeft(timer, second * 1000) > 0;

  const { had, still, inReach } = wantedParts(model, sheet, state, step);
  // The clock runs over the whole step; each way of trying has its own share of it.
  const spent = () =>
    state.resistances
      .filter(({ stepId }) => stepId === step.id)
      .reduce((left, { seconds }) => Math.max(0, left - seconds), clock.secondsAt(Date.now()));
  const want = (parts: readonly string[]) =>
    replanning.replan({ because: 'wanted', targets: [...state.targets.filter((id) => had.has(id)), ...parts] });
  const wanted = list(state.targets.map((id) => getModelPart(model, id).name));
  const mayWait = step.wait !== null && timer === null && !state.isHalted;
  const mustRehearse = operation !== undefined && props.unrehearsed.includes(operation.id) && !state.isHalted;
  const lacksCertificate = step.leg === 'out' && step.needsCertificate && props.lacksCertificate && !state.isHalted;
  const rehearse = () => router.push(`/models/${model.id}/rehearse`);
  const sayWait = step.wait && words.start({ minutesValue: step.wait.minutes });

  return (
    <Box
      h={{ lg: '100vh' }}
      minH="100vh"
      pb={{ base: '76px', sm: '0' }}
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows={{ base: 'auto 1fr auto', lg: '60px minmax(0, 1fr) minmax(68px, auto)' }}
    >
      <BenchHeader
        {...props}
        onLeave={() => router.push(`/${state.kind}`)}
        aim={wanted}
        progress={
          <Box whiteSpace="nowrap" display="flex" gap="18px" alignItems="baseline">
            <span>
              <Box as="strong" textStyle="figure">
                {sheet.steps.indexOf(step) + 1}
              </Box>{' '}
              {words.of({ steps: sheet.steps.length })}
            </span>
            <StepClock clock={clock} usual={step.minutes} />
          </Box>
        }
      >
        {words.donor({ isKindTeardown: state.kind === 'teardown' ? 'yes' : 'no' })}
        <strong>{wanted}</strong>
      </BenchHeader>
      <Box
        display="grid"
        gridTemplateColumns={{
          base: 'minmax(0, 1fr)',
          md: '222px minmax(0, 1fr)',
          lg: '222px minmax(0, 1fr) 290px',
          xl: '222px minmax(0, 1fr) 310px',
        }}
        minH="0"
      >
        <ThreadView sheet={sheet} state={state} model={model} current={step.id} />
        <SheetCentre
          {...props}
          step={step}
          operation={operation}
          timer={timer}
          clock={clock}
          acts={acts}
          news={replanning.said}
          policy={policy}
          faceShift={faceShift}
          onOtherFace={() => setFaceShift((shift) => shift + 1)}
          onFound={() => setAsks('found')}
        />
        <BenchSide {...props} step={step} onStray={() => setAsks('stray')} onFound={() => setAsks('found')}>
          {rest && (
            <StillToCome model={model} wanted={still} rest={rest} onLeave={want} onChange={() => setAsks('wanted')} />
          )}
        </BenchSide>
      </Box>
      <BenchKeys
        isTeardown={state.kind === 'teardown'}
        atGate={step.leg === 'gate'}
        isHalted={state.isHalted}
        isEarly={isEarly}
        pedal={
          lacksCertificate
            ? { label: words.handItOver(), press: acts.stop }
            : mustRehearse
              ? { label: words.rehearseFirst(), press: rehearse }
              : mayWait && sayWait
                ? { label: sayWait, press: acts.wait }
                : null
        }
        canDoUntimed={mayWait && !mustRehearse && !lacksCertificate}
        canResist={operation !== undefined}
        hasParts={inReach.length > 0}
        onDone={acts.done}
        onPass={() => acts.judge(true)}
        onAsk={setAsks}
        onBreak={clock.toggleBreak}
        onTakeBack={acts.takeBack}
        onStop={acts.stop}
      />
      <BenchDialogs
        {...props}
        asks={asks}
        onAsk={setAsks}
        step={step}
        operation={operation}
        policy={policy}
        acts={acts}
        replanning={replanning}
        spent={spent}
        troubleParts={inReach}
        had={had}
        stillWanted={still}
        onWant={want}
      />
      {clock.isAway && <BreakDialog onBack={clock.toggleBreak} />}
    </Box>
  );
}
