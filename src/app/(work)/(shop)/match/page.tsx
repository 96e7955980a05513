import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readMatch } from '@/services/match/readMatch';
import { MatchScreen } from '@/ui/match/MatchScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.matchPluckyParcel() };

export default async function MatchPage({ searchParams }: { readonly searchParams: Promise<{ unit?: string }> }) {
  await guardPage('/match');
  const { unit } = await searchParams;
  return <MatchScreen view={await readMatch(database(), new Date(), unit)} first={unit} />;
}
