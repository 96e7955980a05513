import { notFound } from 'next/navigation';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPlanner } from '@/services/plans/readPlanner';
import { PlannerScreen } from '@/ui/planner/PlannerScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.plannerPluckyParcel() };

interface PlanPageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ unit?: string }>;
}

export default async function PlanPage({ params, searchParams }: PlanPageProps) {
  await guardPage('/models/[id]/plan');
  const [{ id }, { unit: tag }] = await Promise.all([params, searchParams]);
  const view = await readPlanner(database(), id, new Date(), tag);
  if (!view) notFound();
  return <PlannerScreen key={view.unit?.id ?? 'model'} view={view} />;
}
