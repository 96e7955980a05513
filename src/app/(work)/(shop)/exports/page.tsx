import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readExports } from '@/services/reading/readExports';
import { ExportsScreen } from '@/ui/exports/ExportsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.exportsPluckyParcel() };

export default async function ExportsPage() {
  await guardPage('/exports');
  return <ExportsScreen view={await readExports(database())} />;
}
