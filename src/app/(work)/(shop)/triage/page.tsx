import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readTriage } from '@/services/triage/readTriage';
import { TriageScreen } from '@/ui/triage/TriageScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.triagePluckyParcel() };

export default async function TriagePage({ searchParams }: { readonly searchParams: Promise<{ unit?: string }> }) {
  const person = await guardPage('/triage');
  const { unit } = await searchParams;
  return <TriageScreen view={await readTriage(database(), person.id, new Date(), unit)} first={unit} />;
}
