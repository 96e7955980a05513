'use client';
import { useRouter } from 'next/navigation';
import type { SheetState, Timer } from '@/core/entities/entities';
import type { Operation } from '@/core/procedure/operations';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { BenchProps } from './benchProps';
import { HazardPanel } from './LaterPanels';
import { partsOut } from './step/partsOut';
import { StepView } from './step/StepView';
import type { StepClock } from './step/useStepClock';
import { WaitView } from './step/WaitView';
import type { useBenchActs } from './useBenchActs';

interface SheetCentreProps extends BenchProps {
  readonly state: SheetState;
  readonly sheet: RunSheet;
  readonly step: SheetStep;
  readonly operation: Operation | undefined;
  readonly timer: Timer | null;
  readonly clock: StepClock;
  readonly acts: ReturnType<typeof useBenchActs>;
  /** What changed when the sheet was planned anew. */
  readonly news: string | null;
  readonly policy: LadderPolicy | null;
  readonly faceShift: number;
  readonly onOtherFace: () => void;
  readonly onFound: () => void;
}

/** What the sheet is about now: what stopped it, what it waits for, or its step. */
export function SheetCentre({ timer, acts, onOtherFace, ...props }: SheetCentreProps) {
  const { unit, model, shop, state, sheet, step, operation } = props;
  const router = useRouter();
  if (state.isHalted)
    return (
      <HazardPanel
        unit={unit}
        person={props.person}
        leads={props.leads}
        onCleared={acts.clearHazard}
        onSetApart={acts.setApart}
      />
    );
  if (timer)
    return (
      <WaitView
        step={step}
        timer={timer}
        meanwhile={props.meanwhile}
        model={model}
        operation={operation}
        outParts={partsOut(sheet, state)}
        onTake={(tag) => router.push(`/bench/${tag}`)}
      />
    );
  return (
    <StepView
      {...props}
      heatLockedUntil={state.heatLockedUntil}
      onReuse={(partRef, isReused) => void shop.act('reuse-judged', unit.id, { stepId: step.id, partRef, isReused })}
      onTorque={(reading) => void shop.act('torque-read', unit.id, reading)}
      onOtherFace={onOtherFace}
    />
  );
}
