import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { readShelfQuery } from '@/core/shelf/shelfQuery';
import { database } from '@/data/connection';
import { readShelf } from '@/services/shelf/readShelf';
import { ShelfScreen } from '@/ui/shelf/ShelfScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.shelfPluckyParcel() };

export default async function ShelfPage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}) {
  const { role } = await guardPage('/shelf');
  const said = Object.fromEntries(
    Object.entries(await searchParams).map(([name, value]) => [name, Array.isArray(value) ? value[0] : value]),
  );
  const view = await readShelf(database(), readShelfQuery(said), new Date());
  return <ShelfScreen view={view} isAsked={Object.keys(said).length > 0} isLead={isAtLeastRole(role, 'lead')} />;
}
