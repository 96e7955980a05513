import { setShopWriting } from '@/words/shopWriting';
import type { ReactNode } from 'react';
import { isAtLeastRole } from '@/core/people/roles';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRules } from '@/services/rules/readRules';
import { readTimers } from '@/services/bench/readTimers';
import { Workplace } from '@/ui/line/Workplace';

/** Everything a signed-in person sees; what a browser knows ahead of the server lives as long as this does. */
export default async function WorkLayout({ children }: { readonly children: ReactNode }) {
  const { role, ...person } = await guardPage('/');
  const [rules, timers] = await Promise.all([readRules(database()), readTimers(database())]);
  // What is rendered on the server alone writes as the shop does; the browser is told by the provider.
  setShopWriting(rules.shop);
  return (
    <Workplace rules={rules} timers={timers} person={person} mayRecord={isAtLeastRole(role, 'technician')}>
      {children}
    </Workplace>
  );
}
