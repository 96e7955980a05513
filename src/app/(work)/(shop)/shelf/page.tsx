import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readShelf } from '@/services/shelf/readShelf';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.shelfPluckyParcel() };

export default async function ShelfPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ q?: string; page?: string }>;
}) {
  const { role } = await guardPage();
  const { q = '', page = '0' } = await searchParams;
  const wanted = Math.max(0, Math.floor(Number(page)) || 0);
  const view = await readShelf(database(), q.slice(0, 80), wanted, new Date());
  return <ShelfScreen view={view} words={q} isLead={isAtLeastRole(role, 'lead')} />;
}
