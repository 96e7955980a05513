'use client';
import { useMemo } from 'react';
import type { SheetState } from '@/core/entities/entities';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { late, useLate } from '@/ui/base/late';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import type { BenchProps } from './benchProps';
import type { SheetWorth } from './sheetWorth';

const worth = late(async () => (await import('./sheetWorth')).sheetWorth);
const nothing: SheetWorth = { rest: null, policy: null };

/** What the rest of a teardown still brings, and how long a joint that resists is worth trying. Nothing on a rebuild. */
export function useSheetWorth(
  { unit, model, ground }: BenchProps,
  state: SheetState,
  sheet: RunSheet,
  step: SheetStep,
): SheetWorth {
  const rules = useHouseRules();
  const compute = useLate(worth);
  return useMemo(
    () =>
      compute && state.kind === 'teardown' ? compute({ unit, model, ground }, state, sheet, step, rules) : nothing,
    [compute, unit, model, ground, state, sheet, step, rules],
  );
}
