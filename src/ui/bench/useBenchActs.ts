'use client';
import { useRouter } from 'next/navigation';
import { v4 as makeId } from 'uuid';
import type { SheetState } from '@/core/entities/entities';
import { rungNow } from '@/core/sheet/rungNow';
import { freedByStep, stepEndedBy } from '@/core/sheet/sheetSteps';
import type { SkipCause } from '@/core/entities/stages';
import type { Operation } from '@/core/procedure/operations';
import type { Move } from '@/core/teardown/policy/ladderPolicy';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { freePlace } from '../timers/timeLeft';
import { useTimers } from '../timers/TimersProvider';
import type { BenchProps } from './benchProps';
import type { useReplan } from './useReplan';
import type { StepClock } from './step/useStepClock';
import * as words from '@/words/catalogue/bench';

interface ActsOf extends Pick<BenchProps, 'unit' | 'model' | 'shop'> {
  readonly state: SheetState;
  readonly step: SheetStep;
  readonly operation: Operation | undefined;
  readonly clock: StepClock;
  readonly replanning: ReturnType<typeof useReplan>;
  /** Called when the sheet has moved on. */
  readonly onMoved: () => void;
}

/** Everything that a key of the bench says, as facts. */
export function useBenchActs({ unit, model, shop, state, step, operation, clock, replanning, onMoved }: ActsOf) {
  const router = useRouter();
  const running = useTimers();
  const { replan, forget } = replanning;
  const stepId = step.id;
  const moved = (outcome: { readonly ok: boolean }) => {
    if (!outcome.ok) return;
    onMoved();
    forget();
  };
  const done = (endId?: string) => {
    const freed = step.leg === 'out' ? freedByStep(model, state, stepEndedBy(step, operation, endId), makeId) : [];
    const end = endId === undefined ? {} : { endId };
    moved(shop.act('step-done', unit.id, { stepId, freed, ...clock.record(), ...end }));
  };
  return {
    done: () => done(),
    endedBy: (endId: string) => done(endId),
    skip: (because: SkipCause) => moved(shop.act('step-skipped', unit.id, { stepId, because })),
    note: (text: string) => void shop.act('note-written', unit.id, { stepId, text }),
    judge: (hasPassed: boolean, redo?: string) =>
      void shop.act('gate-judged', unit.id, { stepId, hasPassed, ...(redo !== undefined && { redo }) }),
    stop: () => void shop.act('sheet-closed', unit.id, { because: words.stoppedAtBench() }),
    clearHazard: () => void shop.act('hazard-cleared', unit.id, {}),
    setApart: () => void shop.act('unit-set-apart', unit.id, { place: 'hazard' }),
    takeBack: () => void shop.takeBack(unit.id),
    wait: () => {
      if (!step.wait) return;
      const { fixture, minutes } = step.wait;
      const others = running.filter(({ id }) => id !== unit.id).map(({ timer }) => timer);
      shop.act('wait-begun', unit.id, { stepId, fixture, minutes, place: freePlace(fixture, others) });
    },
    // The sheet keeps its place; whoever takes it over opens it at their own bench.
    handOver: () => router.push(`/${state.kind}`),
    print: () => void window.open(`/api/run-sheets/${unit.tag}.pdf`),
    move: (to: Exclude<Move, 'go-on'>, seconds: number) => {
      if (to === 'next-rung') shop.act('step-resisted', unit.id, { stepId, rung: rungNow(state, stepId) + 1, seconds });
      if (to === 'hand-over') {
        // Noted, so that what other hands open is not counted as a way that yielded.
        shop.act('step-resisted', unit.id, { stepId, rung: rungNow(state, stepId), seconds, isHandedOver: true });
        router.push(`/${state.kind}`);
      }
      if (to === 'stop' && operation) replan({ because: 'will-not-yield', operationId: operation.id });
    },
  };
}

export type BenchActs = ReturnType<typeof useBenchActs>;
