import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { parseHistory } from '@/dto/facts/HistoryDto';
import { readHistory } from '@/services/history/readHistory';
import { HistoryScreen } from '@/ui/history/HistoryScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.historyPluckyParcel() };

interface HistoryPageProps {
  readonly searchParams: Promise<Readonly<Record<string, string | readonly string[] | undefined>>>;
}

/** An address that asks for what there is not shows everything. */
export default async function HistoryPage({ searchParams }: HistoryPageProps) {
  const { role } = await guardPage('/history');
  const asked = parseHistory(await searchParams);
  const view = await readHistory(database(), asked.ok ? asked.value : {}, new Date());
  return <HistoryScreen view={view} mayCorrect={isAtLeastRole(role, 'lead')} />;
}
