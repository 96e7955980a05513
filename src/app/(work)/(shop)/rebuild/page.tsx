import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSheets } from '@/services/bench/readSheets';
import { SheetsScreen } from '@/ui/bench/setUp/SheetsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.rebuildPluckyParcel() };

export default async function RebuildPage() {
  await guardPage('/rebuild');
  return <SheetsScreen kind="rebuild" sheets={await readSheets(database(), 'rebuild', new Date())} />;
}
