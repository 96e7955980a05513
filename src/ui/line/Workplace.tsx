'use client';
import type { ReactNode } from 'react';
import type { Unit } from '@/core/bench/entities';
import { NoticeBar } from '@/ui/facts/NoticeBar';
import { ShopProvider } from '@/ui/facts/ShopProvider';
import { KeysProvider } from '@/ui/keys/KeysProvider';
import { LiveUpdates } from '@/ui/facts/LiveUpdates';
import { TimersProvider } from '@/ui/timers/TimersProvider';

/** What every screen of a signed-in person stands on: keys, facts on their way, news from other benches. */
export function Workplace({ timers, children }: { readonly timers: readonly Unit[]; readonly children: ReactNode }) {
  return (
    <ShopProvider>
      <KeysProvider>
        <TimersProvider units={timers}>{children}</TimersProvider>
        <NoticeBar />
        <LiveUpdates />
      </KeysProvider>
    </ShopProvider>
  );
}
