import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readApart } from '@/services/apart/readApart';
import { ApartScreen } from '@/ui/apart/ApartScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.keptApartPluckyParcel() };

export default async function ApartPage() {
  const person = await guardPage('/apart');
  return <ApartScreen view={await readApart(database())} person={person} />;
}
