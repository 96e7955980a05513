import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readGrade } from '@/services/grade/readGrade';
import { GradeScreen } from '@/ui/grade/GradeScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.gradePluckyParcel() };

export default async function GradePage({ searchParams }: { readonly searchParams: Promise<{ part?: string }> }) {
  const { id } = await guardPage('/grade');
  const { part } = await searchParams;
  return <GradeScreen view={await readGrade(database(), new Date(), id, part)} first={part} />;
}
