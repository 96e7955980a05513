import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readComparison } from '@/services/models/readComparison';
import { CompareScreen } from '@/ui/models/CompareScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.compareModelsPluckyParcel() };

export default async function ComparePage({ params }: { readonly params: Promise<{ id: string; other: string }> }) {
  await guardPage('/models/[id]/compare/[other]');
  const { id, other } = await params;
  const view = await readComparison(database(), id, other);
  if (!view) notFound();
  return <CompareScreen view={view} />;
}
