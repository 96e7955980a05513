import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readScore } from '@/services/triage/readScore';
import { ScoreScreen } from '@/ui/triage/ScoreScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.proposalRecordPluckyParcel() };

export default async function ScorePage() {
  await guardPage('/triage/score');
  return <ScoreScreen score={await readScore(database(), new Date())} />;
}
