import type { ReactNode } from 'react';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readTimers } from '@/services/bench/readTimers';
import { Workplace } from '@/ui/line/Workplace';

/** Everything a signed-in person sees; what a browser knows ahead of the server lives as long as this does. */
export default async function WorkLayout({ children }: { readonly children: ReactNode }) {
  await guardPage();
  return <Workplace timers={await readTimers(database())}>{children}</Workplace>;
}
