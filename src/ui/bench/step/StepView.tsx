'use client';
import { list } from '@/words/format';
import { sayOpening } from '@/words/say/saySteps';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import type { SheetState, Unit } from '@/core/entities/entities';
import { rungNow } from '@/core/sheet/rungNow';
import { isScrew, type Joint } from '@/core/procedure/joints';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { TorqueReading } from '@/core/screws/torqueState';
import { tighteningOrder } from '@/core/screws/tighteningOrder';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Caution } from '@/ui/base/Caution';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { FaceLegend } from '@/ui/drawing/FaceLegend';
import { KeyButton } from '@/ui/keys/KeyButton';
import { drawingSize } from './drawingSize';
import { partsOut } from './partsOut';
import { GateLedger } from './GateLedger';
import { HeatLock } from '../heat/HeatLock';
import { HeatPanel, TorquePanel } from '../LaterPanels';
import { PastUsual } from './PastUsual';
import { sayStage } from '../sheetWords';
import { ReuseQuestion } from '../dialogs/ReuseQuestion';
import { StepJoints } from './StepJoints';
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
  onTorque,
  onReuse,
  heatLockedUntil,
}: StepViewProps) {
  const ownFace = model.faces.findIndex(({ id }) => id === step.face);
  const face = model.faces[(ownFace + faceShift) % model.faces.length] as Model['faces'][number];
  const operation = model.operations.find(({ id }) => id === step.operationId);
  const rungAt = rungNow(state, step.id);
  const rung = rungAt > 0 ? operation?.ladder?.rungs[rungAt - 1] : undefined;
  const outParts = partsOut(sheet, state);
  return (
    <Box as="main" p="20px 26px" overflowY="auto" minW="0" tabIndex={0}>
      <Box as="h1" textStyle="instruction" aria-live="assertive">
        {saySheet(step.title)}
      </Box>
      <Box textStyle="lead" fontSize="19px" mt="6px">
        {saySheet(step.detail)}{' '}
        <Box as="span" color="inkMuted">
          {saySheet(step.why)}
        </Box>
      </Box>
      <Box display="flex" flexWrap="wrap" gap="8px" my="12px">
        {[
          step.tool,
          face.id === step.face ? face.name : words.lookingAt({ name: face.name }),
          step.posture,
          ...(operation?.limit && step.leg === 'out' ? [sayOpening(operation.limit)] : []),
        ]
          .filter((chip) => chip !== null)
          .map((chip) => (
            <Box key={chip} bg="sunk" px="10px" py="5px" borderRadius="soft" fontSize="16px">
              {chip}
            </Box>
          ))}
        {model.faces.length > 1 && (
          <KeyButton keyName="f" label={words.nextFace()} size="small" onPress={onOtherFace} />
        )}
      </Box>
      <ReuseQuestion model={model} step={step} state={state} onJudge={onReuse} />
      <PastUsual clock={clock} canResist={operation?.ladder !== undefined && step.leg === 'out'} />
      {heatLockedUntil && operation?.heat && step.leg === 'out' && <HeatLock until={heatLockedUntil} />}
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
      <StepCautions step={step} sheet={sheet} state={state} />
      {operation?.heat && step.leg === 'out' && (
        <HeatPanel
          model={model}
          operation={operation}
          outParts={outParts}
          beganAt={null}
          isTimed={step.wait !== null}
        />
      )}
      {step.leg === 'back' && <TorquePanel step={step} state={state} onRead={onTorque} />}
      {step.leg !== 'gate' && <StepDrawing {...{ model, unit, step, sheet, face, operation, outParts }} />}
    </Box>
  );
}

/** Everything to beware of before the step is done. */
function StepCautions({ step, sheet, state }: Pick<StepViewProps, 'step' | 'sheet' | 'state'>) {
  return (
    <Box display="grid" gap="8px">
      {step.leg === 'gate' && <GateLedger sheet={sheet} state={state} />}
      {step.cautions.map(({ what, instead }) => (
        <Caution key={what} what={what}>
          {instead}
        </Caution>
      ))}
      {step.wait && (
        <Caution tone="waiting" what={words.minOn({ minutesValue: step.wait.minutes, fixture: step.wait.fixture })}>
          {words.doSomethingElseMeanwhile({ what: saySheet(step.wait.what) })}
        </Caution>
      )}
      {step.consumables.length > 0 && (
        <Caution tone="sound" what={words.renew()}>
          {list(step.consumables.map(({ name, count }) => `${count} × ${saySheet(name)}`))}
        </Caution>
      )}
    </Box>
  );
}

/** The face to scale with the step's joints, and what they are. */
function StepDrawing({
  model,
  unit,
  step,
  sheet,
  face,
  operation,
  outParts,
}: Pick<StepViewProps, 'model' | 'unit' | 'step' | 'sheet'> & {
  readonly face: Face;
  readonly operation: Operation | undefined;
  readonly outParts: readonly string[];
}) {
  const size = drawingSize(face);
  const isTall = face.heightMm > face.widthMm;
  return (
    <Box
      mt="18px"
      display="flex"
      flexDirection={isTall ? 'row' : 'column'}
      gap={isTall ? '28px' : '0'}
      alignItems="flex-start"
    >
      <FaceDrawing
        model={model}
        face={face}
        joints={numbered(step)}
        operation={step.leg === 'out' && face.id === step.face ? operation : undefined}
        wanted={[...step.frees, ...step.places]}
        outParts={outParts}
        marks={unit.marks}
        maxWidth={size.width}
        maxHeight={size.height}
      />
      <Box>
        <FaceLegend
          face={face}
          operation={step.leg === 'out' && face.id === step.face ? operation : undefined}
          scale={Math.min(size.width / face.widthMm, size.height / face.heightMm)}
        />
        <StepJoints step={step} keeping={sheet.keeping} />
      </Box>
    </Box>
  );
}

/** The joints as the drawing numbers them: on the way back, screws in the order in which they are tightened. */
const numbered = ({ leg, joints }: SheetStep): readonly Joint[] =>
  leg === 'back' ? [...tighteningOrder(joints.filter(isScrew)), ...joints.filter((joint) => !isScrew(joint))] : joints;
