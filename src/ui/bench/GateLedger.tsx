'use client';
import { trayNow } from '@/core/bench/trayNow';
import type { SheetState } from '@/core/bench/entities';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { Caution } from '@/ui/base/Caution';
import { sayCount, sayList } from '@/ui/words/amounts';
import { holders } from './sheetWords';

/** Before a gate is passed the tray is held against the count: what must lie where, and nothing else. */
export function GateLedger({ sheet, state }: { readonly sheet: RunSheet; readonly state: SheetState }) {
  if (sheet.cups.length === 0) return null;
  const tray = trayNow(sheet, state.doneStepIds, state.screwTroubles);
  const holder = holders[sheet.keeping];
  return (
    <Caution tone="sound" what={`${holder} now:`}>
      {tray.length === 0
        ? 'empty. A screw is left over? L says where it belongs.'
        : `${sayList(tray.map(({ cup, count }) => `${sayCount(count, 'screw')} in ${cup}`))}, and nothing else. Otherwise find it before you go on: S if it is spoilt, L if one lies there.`}
    </Caution>
  );
}
