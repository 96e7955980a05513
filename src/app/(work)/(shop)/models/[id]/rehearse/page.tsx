import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRehearsal } from '@/services/rehearsals/readRehearsal';
import { RehearsalScreen } from '@/ui/rehearsal/RehearsalScreen';

export const metadata = { title: 'Rehearsal · Plucky Parcel' };

export default async function RehearsalPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const person = await guardPage('technician');
  const view = await readRehearsal(database(), (await params).id, person.id);
  if (!view) notFound();
  return <RehearsalScreen view={view} today={new Date().toISOString().slice(0, 10)} />;
}
