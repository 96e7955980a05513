import { guardPage } from '@/app/access';
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
  await guardPage();
  const { q = '', page = '0' } = await searchParams;
  const wanted = Math.max(0, Math.floor(Number(page)) || 0);
  return <ShelfScreen view={await readShelf(database(), q.slice(0, 80), wanted, new Date())} words={q} />;
}
