'use client';
import * as counts from '@/words/catalogue/counts';
import { trayNow } from '@/core/sheet/trayNow';
import type { SheetState } from '@/core/entities/entities';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { Caution } from '@/ui/base/Caution';
import { holders } from '../sheetWords';
import * as words from '@/words/catalogue/bench';

/** Before a gate is passed the tray is held against the count: what must lie where, and nothing else. */
export function GateLedger({ sheet, state }: { readonly sheet: RunSheet; readonly state: SheetState }) {
  if (sheet.cups.length === 0) return null;
  const tray = trayNow(sheet, state.doneStepIds, state.screwTroubles);
  const holder = holders[sheet.keeping];
  return (
    <Caution tone="sound" what={words.now({ holder })}>
      {tray.length === 0
        ? words.emptyScrewLeftOverL()
        : words.andNothingElseOtherwiseFind({
            cup: tray.map(({ cup, count, kind }) => counts.screwsInCup({ count, cup, kind })),
          })}
    </Caution>
  );
}
