import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readToday } from '@/services/today/readToday';
import { TodayScreen } from '@/ui/today/TodayScreen';

export const metadata = { title: 'Today · Plucky Parcel' };

export default async function TodayPage() {
  await guardPage();
  return <TodayScreen {...await readToday(database())} />;
}
