import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readLeaving } from '@/services/shelf/readLeaving';
import { LeavingScreen } from '@/ui/shelf/LeavingScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.leavingPluckyParcel() };

export default async function LeavingPage() {
  await guardPage('/shelf/leaving');
  return <LeavingScreen view={await readLeaving(database(), new Date())} />;
}
