import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRacks } from '@/services/shelf/readRacks';
import { CountScreen } from '@/ui/shelf/CountScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.countPluckyParcel() };

export default async function CountPage() {
  await guardPage('/shelf/count');
  const { racks } = await readRacks(database(), new Date());
  return <CountScreen racks={racks} />;
}
