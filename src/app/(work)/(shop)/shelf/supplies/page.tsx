import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSupplies } from '@/services/supplies/readSupplies';
import { SuppliesScreen } from '@/ui/shelf/SuppliesScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.suppliesPluckyParcel() };

export default async function SuppliesPage() {
  await guardPage('/shelf/supplies');
  return <SuppliesScreen view={await readSupplies(database(), new Date())} />;
}
