import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSheets } from '@/services/bench/readSheets';
import { SheetsScreen } from '@/ui/bench/setUp/SheetsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.teardownPluckyParcel() };

export default async function TeardownPage() {
  await guardPage('/teardown');
  return <SheetsScreen kind="teardown" sheets={await readSheets(database(), 'teardown', new Date())} />;
}
