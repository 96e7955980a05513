'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { SheetState } from '@/core/bench/entities';
import { openJoints } from '@/core/bench/openJoints';
import { freedByStep, nextStep, partsToTag } from '@/core/bench/sheetOf';
import { getModelPart } from '@/core/procedure/model';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayList } from '@/ui/words/amounts';
import { BenchHeader } from './BenchHeader';
import type { BenchProps } from './benchProps';
import { BenchSide } from './BenchSide';
import { StepClock } from './StepClock';
import { StepView } from './StepView';
import { ThreadView } from './ThreadView';
import { PartTroubleDialog } from './PartTroubleDialog';
import { ScrewTroubleDialog } from './ScrewTroubleDialog';
import { StrayScrewDialog } from './StrayScrewDialog';
import { useStepClock } from './useStepClock';

/** The run sheet: one step at a time in the middle, the thread of all of them left, tray and freed parts right. */
export function RunSheetView(props: BenchProps & { readonly state: SheetState; readonly sheet: RunSheet }) {
  const { unit, model, shop, state, sheet } = props;
  const router = useRouter();
  const step = nextStep(sheet.steps, state) ?? (sheet.steps.at(-1) as SheetStep);
  const clock = useStepClock(step.id);
  const [asks, setAsks] = useState<'broken' | 'missing' | 'screw' | 'stray' | null>(null);
  const [faceShift, setFaceShift] = useState(0);
  const atGate = step.leg === 'gate';
  const troubleParts = step.leg === 'out' ? partsToTag(model, state, step) : [];

  const done = () => {
    const freed = step.leg === 'out' ? freedByStep(model, state, step, makeId) : [];
    if (shop.act('step-done', unit.id, { stepId: step.id, seconds: clock.seconds(), freed }).ok) setFaceShift(0);
  };
  const judge = (hasPassed: boolean) => shop.act('gate-judged', unit.id, { stepId: step.id, hasPassed });
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
        <StepView model={model} unit={unit} step={step} state={state} sheet={sheet} faceShift={faceShift} />
        <BenchSide {...props} step={step} />
      </Box>
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
        {atGate ? (
          <>
            <KeyButton
              keyName=" "
              label="It passes, go on"
              look="action"
              size="wide"
              flex="2"
              onPress={() => void judge(true)}
            />
            <KeyButton
              keyName="n"
              label="It fails"
              look="danger"
              size="bench"
              flex="1"
              onPress={() => void judge(false)}
            />
          </>
        ) : (
          <KeyButton
            keyName=" "
            label="Done, next"
            look="action"
            size="wide"
            flex="2"
            onPress={done}
            data-testid="done"
          />
        )}
        <KeyButton
          keyName="b"
          label="It broke"
          look="danger"
          size="bench"
          flex="1"
          isEnabled={troubleParts.length > 0}
          onPress={() => setAsks('broken')}
        />
        <KeyButton
          keyName="m"
          label="Part missing"
          size="bench"
          flex="1"
          isEnabled={troubleParts.length > 0}
          onPress={() => setAsks('missing')}
        />
        <KeyButton
          keyName="s"
          label="Screw trouble"
          size="bench"
          flex="1"
          isEnabled={!atGate}
          onPress={() => setAsks('screw')}
        />
        <KeyButton
          keyName="f"
          label="Other face"
          size="bench"
          flex="1"
          onPress={() => setFaceShift((shift) => shift + 1)}
        />
        <KeyButton keyName="u" label="Take back" size="bench" flex="1" onPress={() => void shop.takeBack(unit.id)} />
        {state.kind === 'teardown' && (
          <KeyButton
            keyName="h"
            label="Stop here"
            size="bench"
            flex="1"
            onPress={() => void shop.act('sheet-closed', unit.id, { because: 'stopped at the bench' })}
          />
        )}
        <KeyButton keyName="Escape" label="Leave" size="bench" onPress={() => router.push(`/${state.kind}`)} />
      </Box>
      {(asks === 'broken' || asks === 'missing') && (
        <PartTroubleDialog
          kind={asks}
          parts={troubleParts}
          onClose={() => setAsks(null)}
          onTrouble={(trouble) => void shop.act('part-trouble', unit.id, { stepId: step.id, ...trouble })}
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
