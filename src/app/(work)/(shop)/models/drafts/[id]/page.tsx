import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readDraft } from '@/services/drafts/readDraft';
import { EditorScreen } from '@/ui/editor/EditorScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.draftPluckyParcel() };

export default async function DraftPage({ params }: { readonly params: Promise<{ id: string }> }) {
  await guardPage('/models/drafts/[id]');
  const { id } = await params;
  const view = await readDraft(database(), id);
  if (!view) notFound();
  return <EditorScreen key={view.id} view={view} />;
}
