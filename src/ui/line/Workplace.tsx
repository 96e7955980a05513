'use client';
import type { ReactNode } from 'react';
import { NoticeBar } from '@/ui/facts/NoticeBar';
import { ShopProvider } from '@/ui/facts/ShopProvider';
import { KeysProvider } from '@/ui/keys/KeysProvider';
import { LiveUpdates } from '@/ui/live/LiveUpdates';

/** What every screen of a signed-in person stands on: keys, facts on their way, news from other benches. */
export function Workplace({ children }: { readonly children: ReactNode }) {
  return (
    <ShopProvider>
      <KeysProvider>
        {children}
        <NoticeBar />
        <LiveUpdates />
      </KeysProvider>
    </ShopProvider>
  );
}
