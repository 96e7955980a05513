'use client';
import { late } from '@/ui/base/late';
import { useSayRefusal } from '@/ui/base/Refused';
import { useState } from 'react';
import type { PartTrouble, SheetState } from '@/core/entities/entities';
import type { Deviation } from '@/core/sheet/replanSheet';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { BenchProps } from './benchProps';
import { sayChange } from './sheetWords';

/** Planning anew is for what seldom happens: it comes after the sheet is drawn. */
const replanner = late(async () => (await import('@/core/sheet/replanSheet')).replanSheet);

/** Plans the sheet anew from where it stands, and keeps the sentence of what changed until the next step. */
export function useReplan({
  unit,
  model,
  shop,
  state,
  sheet,
}: Pick<BenchProps, 'unit' | 'model' | 'shop'> & { readonly state: SheetState; readonly sheet: RunSheet }) {
  const [said, setSaid] = useState<string | null>(null);
  const say = useSayRefusal();

  const replan = (deviation: Deviation, now: SheetState = state): void => {
    const plan = replanner.now();
    if (!plan) return setSaid(say({ reason: 'still-loading', values: {} }));
    const outcome = plan(model, { ...unit, sheet: now }, sheet, deviation);
    if (!outcome.ok) return setSaid(say(outcome.refusal));
    const { payload, difference } = outcome.value;
    // What was found is kept even when it changes no step.
    const isNews = difference !== null || payload.findings.length > now.findings.length;
    if (isNews && shop.act('sheet-replanned', unit.id, payload).ok) setSaid(sayChange(difference));
  };

  /** Trouble with a part. One that this step does not free is no longer wanted, and the rest is planned without it. */
  const lose = (step: SheetStep, trouble: Omit<PartTrouble, 'stepId'>): void => {
    const noted = { stepId: step.id, ...trouble };
    if (!shop.act('part-trouble', unit.id, noted).ok || step.frees.includes(trouble.partRef)) return;
    replan({ because: 'part-lost' }, { ...state, partTroubles: [...state.partTroubles, noted] });
  };

  return { said, replan, lose, forget: () => setSaid(null) };
}
