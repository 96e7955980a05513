'use client';
import type { ReactNode } from 'react';
import type { Waits } from '@/services/bench/readTimers';
import { NoticeBar } from '@/ui/facts/NoticeBar';
import { ShopProvider } from '@/ui/facts/ShopProvider';
import type { HouseRules } from '@/core/shared/houseRules';
import { RulesProvider } from '@/ui/rules/RulesProvider';
import { KeysProvider } from '@/ui/keys/KeysProvider';
import { LiveUpdates } from '@/ui/facts/LiveUpdates';
import { MayRecord } from '@/ui/people/MayRecord';
import { PictureSender } from '@/ui/photos/PictureSender';
import type { Whose } from '@/ui/server/whose';
import { TimersProvider } from '@/ui/timers/TimersProvider';

/** What every screen of a signed-in person stands on: keys, facts on their way, news from other benches. */
export function Workplace({
  rules,
  timers,
  person,
  mayRecord,
  children,
}: {
  readonly rules: HouseRules;
  readonly timers: Waits;
  readonly person: Whose;
  readonly mayRecord: boolean;
  readonly children: ReactNode;
}) {
  return (
    <RulesProvider rules={rules}>
      <ShopProvider person={person}>
        <MayRecord value={mayRecord}>
          <KeysProvider>
            <TimersProvider waits={timers}>{children}</TimersProvider>
            <NoticeBar />
            <LiveUpdates />
            <PictureSender />
          </KeysProvider>
        </MayRecord>
      </ShopProvider>
    </RulesProvider>
  );
}
