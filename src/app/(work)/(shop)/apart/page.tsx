import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readApart } from '@/services/apart/readApart';
import { ApartScreen } from '@/ui/apart/ApartScreen';

export const metadata = { title: 'Kept apart · Plucky Parcel' };

export default async function ApartPage() {
  const person = await guardPage();
  return <ApartScreen view={await readApart(database())} person={person} />;
}
