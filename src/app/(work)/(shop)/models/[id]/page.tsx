import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readModel } from '@/services/models/readModel';
import { ModelScreen } from '@/ui/models/ModelScreen';

export const metadata = { title: 'Model · Plucky Parcel' };

export default async function ModelPage({ params }: { readonly params: Promise<{ id: string }> }) {
  await guardPage();
  const { id } = await params;
  const model = await readModel(database(), id);
  if (!model) notFound();
  return <ModelScreen model={model} />;
}
