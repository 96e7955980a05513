import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { findAll } from '@/services/find/findAll';
import { FoundScreen } from '@/ui/find/FoundScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.findPluckyParcel() };

const mostLetters = 100;
const mostOfAKind = 40;

export default async function FindPage({ searchParams }: { readonly searchParams: Promise<{ readonly q?: string }> }) {
  await guardPage('/find');
  const text = ((await searchParams).q ?? '').slice(0, mostLetters);
  return <FoundScreen found={await findAll(database(), text, mostOfAKind)} />;
}
