'use client';
import type { SheetState } from '@/core/entities/entities';
import { openJoints } from '@/core/sheet/openJoints';
import { rungNow } from '@/core/sheet/rungNow';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { getModelPart } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Question } from '../BenchKeys';
import type { BenchProps } from '../benchProps';
import { FoundDialog } from './FoundDialog';
import { GateFailedDialog } from './GateFailedDialog';
import { OtherwiseDialog } from './OtherwiseDialog';
import { PartTroubleDialog } from './PartTroubleDialog';
import { ResistDialog } from './ResistDialog';
import { ScrewTroubleDialog } from './ScrewTroubleDialog';
import { StrayScrewDialog } from './StrayScrewDialog';
import type { BenchActs } from '../useBenchActs';
import type { useReplan } from '../useReplan';
import { WantedDialog } from './WantedDialog';

export type Asked = Question | 'wanted' | 'stray';

interface BenchDialogsProps extends Pick<BenchProps, 'unit' | 'model' | 'shop' | 'person' | 'bits'> {
  readonly asks: Asked | null;
  readonly onAsk: (asks: Asked | null) => void;
  readonly state: SheetState;
  readonly sheet: RunSheet;
  readonly step: SheetStep;
  readonly operation: Operation | undefined;
  readonly policy: LadderPolicy | null;
  readonly acts: BenchActs;
  readonly replanning: ReturnType<typeof useReplan>;
  /** Seconds on the way that is tried now. */
  readonly spent: () => number;
  readonly troubleParts: readonly ModelPart[];
  readonly had: ReadonlySet<string>;
  readonly stillWanted: readonly string[];
  readonly onWant: (parts: readonly string[]) => void;
}

/** What a key of the bench asks before it can say it. */
export function BenchDialogs(props: BenchDialogsProps) {
  const { unit, model, shop, asks, onAsk, state, sheet, step, operation, policy, acts, replanning } = props;
  const close = () => onAsk(null);
  switch (asks) {
    case 'gate':
      return (
        <GateFailedDialog
          model={model}
          sheet={sheet}
          doneStepIds={state.doneStepIds}
          step={step}
          onFailed={(redo) => acts.judge(false, redo)}
          onClose={close}
        />
      );
    case 'part':
      return (
        <PartTroubleDialog
          parts={props.troubleParts}
          onClose={close}
          onTrouble={(trouble) => replanning.lose(step, trouble)}
        />
      );
    case 'resists':
      return operation ? (
        <ResistDialog
          operation={operation}
          rung={rungNow(state, step.id)}
          minutesSpent={props.spent() / 60}
          policy={policy}
          onClose={close}
          onMove={(move) => acts.move(move, props.spent())}
        />
      ) : null;
    case 'found':
      return (
        <FoundDialog
          known={state.findings}
          onClose={close}
          onFound={(finding) => replanning.replan({ because: 'found', finding })}
          onHot={acts.setApart}
        />
      );
    case 'wanted':
      return (
        <WantedDialog
          parts={defaultTargets(model, unit.configuration)
            .filter((id) => !props.had.has(id))
            .map((id) => getModelPart(model, id))}
          wanted={props.stillWanted}
          onClose={close}
          onWanted={props.onWant}
        />
      );
    case 'screw':
      return (
        <ScrewTroubleDialog
          step={step}
          bits={props.bits}
          bench={props.person.bench}
          onClose={close}
          onNewBit={(drive) => void shop.act('bit-renewed', unit.id, { drive })}
          onTrouble={(kind, count) => void shop.act('screw-trouble', unit.id, { stepId: step.id, kind, count })}
          onStray={() => onAsk('stray')}
        />
      );
    case 'stray':
      return (
        <StrayScrewDialog model={model} openJoints={openJoints(sheet.steps, state.doneStepIds, step)} onClose={close} />
      );
    case 'otherwise':
      return (
        <OtherwiseDialog
          operation={operation}
          canSkip={step.leg !== 'gate'}
          onEnd={acts.endedBy}
          onSkip={acts.skip}
          onNote={acts.note}
          onHandOver={acts.handOver}
          onPrint={acts.print}
          onClose={close}
        />
      );
    case null:
      return null;
  }
}
