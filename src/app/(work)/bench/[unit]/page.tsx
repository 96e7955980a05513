import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readBench } from '@/services/bench/readBench';
import { readMeanwhile } from '@/services/bench/readMeanwhile';
import { BenchScreen } from '@/ui/bench/setUp/BenchScreen';
import { UnknownTag } from '@/ui/things/UnknownTag';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.benchPluckyParcel() };

export default async function BenchPage({ params }: { readonly params: Promise<{ unit: string }> }) {
  const person = await guardPage('/bench/[unit]');
  const tag = decodeURIComponent((await params).unit);
  const view = await readBench(database(), tag, person.id, new Date());
  if (!view) return <UnknownTag tag={tag} />;
  const meanwhile = view.unit.timer ? await readMeanwhile(database(), view.unit.id, new Date()) : [];
  return <BenchScreen key={view.unit.id} view={view} meanwhile={meanwhile} person={person} />;
}
