import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readGrade } from '@/services/grade/readGrade';
import { GradeScreen } from '@/ui/grade/GradeScreen';

export const metadata = { title: 'Grade · Plucky Parcel' };

export default async function GradePage({ searchParams }: { readonly searchParams: Promise<{ part?: string }> }) {
  await guardPage();
  const { part } = await searchParams;
  return <GradeScreen view={await readGrade(database())} first={part} />;
}
