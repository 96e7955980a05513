import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readYields } from '@/services/yields/readYields';
import { YieldScreen } from '@/ui/yield/YieldScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.yieldPluckyParcel() };

export default async function YieldPage() {
  await guardPage('/yield');
  return <YieldScreen view={await readYields(database(), new Date())} />;
}
