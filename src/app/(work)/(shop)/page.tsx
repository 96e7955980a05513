import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readToday } from '@/services/today/readToday';
import { TodayScreen } from '@/ui/today/TodayScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.todayPluckyParcel() };

export default async function TodayPage() {
  const { id, role } = await guardPage();
  return <TodayScreen {...await readToday(database(), id, new Date())} role={role} />;
}
