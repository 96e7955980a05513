import { readRules } from '@/services/rules/readRules';
import { shopDay } from '@/core/shared/shopDay';
import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRehearsal } from '@/services/rehearsals/readRehearsal';
import { RehearsalScreen } from '@/ui/rehearsal/RehearsalScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.rehearsalPluckyParcel() };

export default async function RehearsalPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const person = await guardPage('/models/[id]/rehearse');
  const view = await readRehearsal(database(), (await params).id, person.id);
  if (!view) notFound();
  const { shop } = await readRules(database());
  return <RehearsalScreen view={view} today={shopDay(new Date().getTime(), shop.timeZone)} />;
}
