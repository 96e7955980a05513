import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPicks } from '@/services/shelf/readPicks';
import { FetchScreen } from '@/ui/shelf/FetchScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.fetchPluckyParcel() };

export default async function FetchPage() {
  await guardPage('/shelf/fetch');
  return <FetchScreen view={await readPicks(database(), new Date())} />;
}
