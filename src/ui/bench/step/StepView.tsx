'use client';
import { Box } from '@chakra-ui/react';
import type { SheetState, Unit } from '@/core/entities/entities';
import { rungNow } from '@/core/sheet/rungNow';
import type { Model } from '@/core/procedure/model';
import type { TorqueReading } from '@/core/screws/torqueState';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import { operationsOut, partsOut } from './partsOut';
import { PowerNotes, StepCautions, StepHead } from './StepSays';
import { HeatLock } from '../heat/HeatLock';
import { HeatPanel, StepDrawing, StepNotes, TorquePanel } from '../LaterPanels';
import { PastUsual } from './PastUsual';
import { sayStage } from '../sheetWords';
import { ReuseQuestion } from '../dialogs/ReuseQuestion';
import type { StepClock } from './useStepClock';
import * as words from '@/words/catalogue/bench';

interface StepViewProps {
  readonly model: Model;
  readonly unit: Unit;
  readonly step: SheetStep;
  readonly state: SheetState;
  readonly sheet: RunSheet;
  readonly faceShift: number;
  /** What changed when the sheet was planned anew. */
  readonly news: string | null;
  readonly policy: LadderPolicy | null;
  /** Operations for certified people that this person has still to rehearse. */
  readonly unrehearsed: readonly string[];
  readonly lacksCertificate: boolean;
  readonly clock: StepClock;
  readonly onOtherFace: () => void;
  readonly onFound: () => void;
  readonly onTorque: (reading: TorqueReading) => void;
  readonly onReuse: (partRef: string, isReused: boolean) => void;
  /** Until when solvent is in the air, for a step that heats. */
  readonly heatLockedUntil: string | null;
}

/** The step in large type with its why, what it needs, its caution, and the face to scale. */
export function StepView({
  model,
  unit,
  step,
  state,
  sheet,
  faceShift,
  news,
  policy,
  unrehearsed,
  lacksCertificate,
  clock,
  onOtherFace,
  onFound,
  onTorque,
  onReuse,
  heatLockedUntil,
}: StepViewProps) {
  const ownFace = model.faces.findIndex(({ id }) => id === step.face);
  const face = model.faces[(ownFace + faceShift) % model.faces.length] as Model['faces'][number];
  const operation = model.operations.find(({ id }) => id === step.operationId);
  const rungAt = rungNow(state, step.id);
  const rung = rungAt > 0 ? operation?.ladder?.rungs[rungAt - 1] : undefined;
  // A rung that warms is planned as a step that warms.
  const heat = rung?.heat ?? step.hands?.heat;
  const outParts = partsOut(sheet, state);
  const outNow = operationsOut(sheet, state);
  return (
    <Box as="main" p="20px 26px" overflowY="auto" minW="0" tabIndex={0}>
      <StepHead step={step} face={face}>
        {model.faces.length > 1 && (
          <KeyButton keyName="f" label={words.nextFace()} size="small" onPress={onOtherFace} />
        )}
      </StepHead>
      <ReuseQuestion model={model} step={step} state={state} onJudge={onReuse} />
      <PastUsual clock={clock} canResist={operation?.ladder !== undefined && step.leg === 'out'} />
      {heatLockedUntil && step.hands?.heat && <HeatLock until={heatLockedUntil} />}
      {news && (
        <Box mb="8px" aria-live="polite">
          <Caution tone="sound" what={words.replanned()}>
            {news}
          </Caution>
        </Box>
      )}
      {rung && (
        <Box mb="8px">
          <Caution tone="waiting" what={`${rung.says}.`}>
            {rung.tool && `${rung.tool}. `}
            {rung.solvent &&
              `${words.airItFor({ name: rung.solvent.name, minutesValue: rung.solvent.ventilateMinutes })} `}
            {words.noMoreThanMinChance({
              mostMinutes: rung.mostMinutes,
              breakage: Math.round(rung.breakage * 100),
              rungAt: policy && sayStage(policy, rungAt),
            })}
          </Caution>
        </Box>
      )}
      {step.needsCertificate && (
        <Caution what={words.onlyForCertifiedPeople()}>
          {words.certifiedOnly({
            lacking:
              step.leg === 'out' && lacksCertificate
                ? 'certificate'
                : operation && unrehearsed.includes(operation.id)
                  ? 'rehearsal'
                  : 'nothing',
          })}
        </Caution>
      )}
      {step === sheet.steps[0] && <PowerNotes model={model} isDead={unit.tests.starts === 'fault'} />}
      <StepCautions model={model} step={step} sheet={sheet} state={state} />
      {operation && heat && (
        <HeatPanel
          key={rungAt}
          model={model}
          operation={{ ...operation, heat, seam: step.hands?.seam }}
          outParts={outParts}
          beganAt={null}
          isTimed={step.wait !== null}
        />
      )}
      {step.leg === 'back' && <TorquePanel step={step} state={state} onRead={onTorque} />}
      {step.leg !== 'gate' && <StepDrawing {...{ model, unit, step, sheet, face, outParts, outNow }} />}
      <Box display={{ base: 'block', lg: 'none' }} mt="16px">
        <StepNotes model={model} step={step} sheet={sheet} onFound={onFound} />
      </Box>
    </Box>
  );
}
