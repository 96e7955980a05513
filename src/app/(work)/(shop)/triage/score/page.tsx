import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readScore } from '@/services/triage/readScore';
import { ScoreScreen } from '@/ui/triage/ScoreScreen';

export const metadata = { title: 'Score of the proposals · Plucky Parcel' };

export default async function ScorePage() {
  await guardPage();
  return <ScoreScreen score={await readScore(database(), new Date())} />;
}
