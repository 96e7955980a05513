import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readThing } from '@/services/things/readThing';
import { ThingScreen } from '@/ui/things/ThingScreen';
import { UnknownTag } from '@/ui/things/UnknownTag';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.tagPluckyParcel() };

export default async function ThingPage({ params }: { readonly params: Promise<{ tag: string }> }) {
  await guardPage('/t/[tag]');
  const tag = decodeURIComponent((await params).tag);
  const thing = await readThing(database(), tag, new Date());
  return thing ? <ThingScreen thing={thing} /> : <UnknownTag tag={tag} />;
}
