import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readOpening } from '@/services/openings/readOpening';
import { OpeningScreen } from '@/ui/opening/OpeningScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.firstOpeningPluckyParcel() };

export default async function OpeningPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const person = await guardPage('/models/opening/[id]');
  const { id } = await params;
  const view = await readOpening(database(), id);
  if (!view) notFound();
  return <OpeningScreen key={view.id} view={view} mayDraft={isAtLeastRole(person.role, 'lead')} />;
}
