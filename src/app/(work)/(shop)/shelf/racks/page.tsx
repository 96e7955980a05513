import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRacks } from '@/services/shelf/readRacks';
import { RacksScreen } from '@/ui/shelf/RacksScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.racksPluckyParcel() };

export default async function RacksPage() {
  await guardPage('/shelf/racks');
  return <RacksScreen view={await readRacks(database(), new Date())} />;
}
