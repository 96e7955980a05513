import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPeople } from '@/services/people/readPeople';
import { PeopleScreen } from '@/ui/people/PeopleScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.peoplePluckyParcel() };

export default async function PeoplePage() {
  const { id } = await guardPage('/people');
  return <PeopleScreen view={await readPeople(database(), new Date())} self={id} />;
}
