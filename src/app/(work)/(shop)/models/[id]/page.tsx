import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readModelPage } from '@/services/models/readModelPage';
import { ModelScreen } from '@/ui/models/ModelScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.modelPluckyParcel() };

export default async function ModelPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const person = await guardPage('/models/[id]');
  const { id } = await params;
  const view = await readModelPage(database(), id);
  if (!view) notFound();
  return (
    <ModelScreen
      view={view}
      mayWrite={isAtLeastRole(person.role, 'lead')}
      mayRehearse={isAtLeastRole(person.role, 'technician')}
    />
  );
}
