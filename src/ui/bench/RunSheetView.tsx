'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { SheetState } from '@/core/bench/entities';
import { openJoints } from '@/core/bench/openJoints';
import { rungNow } from '@/core/bench/replanSheet';
import { defaultTargets, freedByStep, nextStep, partsToTag } from '@/core/bench/sheetOf';
import { getModelPart } from '@/core/procedure/model';
import type { Move } from '@/core/teardown/policy/ladderPolicy';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { sayList } from '@/ui/words/amounts';
import { BenchHeader } from './BenchHeader';
import { BenchKeys, type Question } from './BenchKeys';
import type { BenchProps } from './benchProps';
import { BenchSide } from './BenchSide';
import { StepClock } from './StepClock';
import { StepView } from './StepView';
import { ThreadView } from './ThreadView';
import { FoundDialog } from './FoundDialog';
import { PartTroubleDialog } from './PartTroubleDialog';
import { ScrewTroubleDialog } from './ScrewTroubleDialog';
import { ResistDialog } from './ResistDialog';
import { StillToCome } from './StillToCome';
import { StrayScrewDialog } from './StrayScrewDialog';
import { useReplan } from './useReplan';
import { useSheetWorth } from './useSheetWorth';
import { WantedDialog } from './WantedDialog';
import { useStepClock } from './useStepClock';

/** The run sheet: one step at a time in the middle, the thread of all of them left, tray and freed parts right. */
export function RunSheetView(props: BenchProps & { readonly state: SheetState; readonly sheet: RunSheet }) {
  const { unit, model, shop, state, sheet } = props;
  const router = useRouter();
  const step = nextStep(sheet.steps, state) ?? (sheet.steps.at(-1) as SheetStep);
  const clock = useStepClock(step.id);
  const [asks, setAsks] = useState<Question | 'wanted' | 'stray' | null>(null);
  const [faceShift, setFaceShift] = useState(0);
  const { said, replan, lose, forget } = useReplan(props);
  const { rest, policy } = useSheetWorth(props, state, sheet, step);
  const operation = step.leg === 'out' ? model.operations.find(({ id }) => id === step.operationId) : undefined;
  const rung = rungNow(state, step.id);
  // The clock runs over the whole step; each way of trying has its own share of it.
  const spent = () =>
    state.resistances
      .filter(({ stepId }) => stepId === step.id)
      .reduce((left, { seconds }) => Math.max(0, left - seconds), clock.seconds());
  const had = new Set(sheet.steps.filter(({ id }) => state.doneStepIds.includes(id)).flatMap(({ frees }) => frees));
  const stillWanted = state.targets.filter((id) => !had.has(id));
  const ownParts = step.leg === 'out' ? partsToTag(model, state, step) : [];
  const otherParts =
    state.kind === 'teardown' ? stillWanted.filter((id) => !ownParts.some((own) => own.id === id)) : [];
  const troubleParts = [...ownParts, ...otherParts.map((id) => getModelPart(model, id))];

  const done = () => {
    const freed = step.leg === 'out' ? freedByStep(model, state, step, makeId) : [];
    if (shop.act('step-done', unit.id, { stepId: step.id, seconds: clock.seconds(), freed }).ok) {
      setFaceShift(0);
      forget();
    }
  };
  const move = (to: Exclude<Move, 'go-on'>) => {
    if (to === 'next-rung') shop.act('step-resisted', unit.id, { stepId: step.id, rung: rung + 1, seconds: spent() });
    // The sheet keeps its place; whoever takes it over opens it at their own bench.
    if (to === 'hand-over') router.push(`/${state.kind}`);
    if (to === 'stop' && operation) replan({ because: 'will-not-yield', operationId: operation.id });
  };
  const want = (parts: readonly string[]) =>
    replan({ because: 'wanted', targets: [...state.targets.filter((id) => had.has(id)), ...parts] });
  const judge = (hasPassed: boolean) => void shop.act('gate-judged', unit.id, { stepId: step.id, hasPassed });
  const wanted = sayList(state.targets.map((id) => getModelPart(model, id).name));
  const place = sheet.steps.indexOf(step) + 1;

  return (
    <Box h="100vh" display="grid" gridTemplateColumns="minmax(0, 1fr)" gridTemplateRows="60px minmax(0, 1fr) 68px">
      <BenchHeader
        {...props}
        progress={
          <Box whiteSpace="nowrap" display="flex" gap="18px" alignItems="baseline">
            <span>
              <Box as="strong" textStyle="figure">
                {place}
              </Box>{' '}
              of {sheet.steps.length}
            </span>
            <StepClock stepId={step.id} usual={step.minutes} />
          </Box>
        }
      >
        {state.kind === 'teardown' ? 'Donor: ' : 'Rebuild: '}
        <strong>{wanted}</strong>
      </BenchHeader>
      <Box
        display="grid"
        gridTemplateColumns={{ base: '222px minmax(0, 1fr)', lg: '222px minmax(0, 1fr) 310px' }}
        minH="0"
      >
        <ThreadView sheet={sheet} state={state} model={model} current={step.id} />
        <StepView
          model={model}
          unit={unit}
          step={step}
          state={state}
          sheet={sheet}
          faceShift={faceShift}
          news={said}
          policy={policy}
        />
        <BenchSide {...props} step={step}>
          {rest && (
            <StillToCome
              model={model}
              wanted={stillWanted}
              rest={rest}
              onLeave={want}
              onChange={() => setAsks('wanted')}
            />
          )}
        </BenchSide>
      </Box>
      <BenchKeys
        isTeardown={state.kind === 'teardown'}
        atGate={step.leg === 'gate'}
        canResist={operation !== undefined}
        hasParts={troubleParts.length > 0}
        onDone={done}
        onJudge={judge}
        onAsk={setAsks}
        onOtherFace={() => setFaceShift((shift) => shift + 1)}
        onTakeBack={() => void shop.takeBack(unit.id)}
        onStop={() => void shop.act('sheet-closed', unit.id, { because: 'stopped at the bench' })}
        onLeave={() => router.push(`/${state.kind}`)}
      />
      {asks === 'part' && (
        <PartTroubleDialog
          parts={troubleParts}
          onClose={() => setAsks(null)}
          onTrouble={(trouble) => lose(step, trouble)}
        />
      )}
      {asks === 'resists' && operation && (
        <ResistDialog
          operation={operation}
          rung={rung}
          minutesSpent={spent() / 60}
          policy={policy}
          onClose={() => setAsks(null)}
          onMove={move}
        />
      )}
      {asks === 'found' && (
        <FoundDialog
          known={state.findings}
          onClose={() => setAsks(null)}
          onFound={(finding) => replan({ because: 'found', finding })}
        />
      )}
      {asks === 'wanted' && (
        <WantedDialog
          parts={defaultTargets(model, unit.configuration)
            .filter((id) => !had.has(id))
            .map((id) => getModelPart(model, id))}
          wanted={stillWanted}
          onClose={() => setAsks(null)}
          onWanted={want}
        />
      )}
      {asks === 'screw' && (
        <ScrewTroubleDialog
          step={step}
          onClose={() => setAsks(null)}
          onTrouble={(kind, count) => void shop.act('screw-trouble', unit.id, { stepId: step.id, kind, count })}
          onStray={() => setAsks('stray')}
        />
      )}
      {asks === 'stray' && (
        <StrayScrewDialog
          model={model}
          openJoints={openJoints(sheet.steps, state.doneStepIds, step)}
          onClose={() => setAsks(null)}
        />
      )}
    </Box>
  );
}
