import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readProve } from '@/services/prove/readProve';
import { ProveScreen } from '@/ui/prove/ProveScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.provePluckyParcel() };

export default async function ProvePage({ searchParams }: { readonly searchParams: Promise<{ unit?: string }> }) {
  await guardPage('/prove');
  const { unit } = await searchParams;
  return <ProveScreen view={await readProve(database(), new Date())} first={unit} />;
}
