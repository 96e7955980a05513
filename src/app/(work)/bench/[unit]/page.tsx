import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readBench } from '@/services/bench/readBench';
import { BenchScreen } from '@/ui/bench/BenchScreen';
import { UnknownTag } from '@/ui/things/UnknownTag';

export const metadata = { title: 'Bench · Plucky Parcel' };

export default async function BenchPage({ params }: { readonly params: Promise<{ unit: string }> }) {
  const person = await guardPage();
  const tag = decodeURIComponent((await params).unit);
  const view = await readBench(database(), tag, new Date());
  return view ? <BenchScreen key={view.unit.id} view={view} person={person} /> : <UnknownTag tag={tag} />;
}
