import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSheets } from '@/services/bench/readSheets';
import { SheetsScreen } from '@/ui/bench/SheetsScreen';

export const metadata = { title: 'Teardown · Plucky Parcel' };

export default async function TeardownPage() {
  await guardPage();
  return <SheetsScreen kind="teardown" sheets={await readSheets(database(), 'teardown')} />;
}
