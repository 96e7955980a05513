import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readStock } from '@/services/shelf/readStock';
import { StockScreen } from '@/ui/shelf/StockScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.stockPluckyParcel() };

export default async function StockPage() {
  const { role } = await guardPage('/shelf/stock');
  return <StockScreen view={await readStock(database(), new Date())} mayChange={isAtLeastRole(role, 'lead')} />;
}
