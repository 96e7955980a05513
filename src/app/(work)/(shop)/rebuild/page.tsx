import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSheets } from '@/services/bench/readSheets';
import { SheetsScreen } from '@/ui/bench/SheetsScreen';

export const metadata = { title: 'Rebuild · Plucky Parcel' };

export default async function RebuildPage() {
  await guardPage();
  return <SheetsScreen kind="rebuild" sheets={await readSheets(database(), 'rebuild')} />;
}
