import { guardPage } from '@/app/access';
import { pageRights } from '@/app/rights';
import { servedFrom } from '@/app/servedFrom';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readPressing } from '@/services/machine/readMachine';
import { readToday } from '@/services/today/readToday';
import { TodayScreen } from '@/ui/today/TodayScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.todayPluckyParcel() };

export default async function TodayPage() {
  const { id, role } = await guardPage('/');
  const now = new Date();
  const [today, pressing] = await Promise.all([
    readToday(database(), id, now),
    isAtLeastRole(role, pageRights['/machine']) ? readPressing(database(), servedFrom(), now) : [],
  ]);
  return <TodayScreen {...today} role={role} pressing={pressing} />;
}
