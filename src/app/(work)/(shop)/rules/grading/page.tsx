import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRulesView } from '@/services/rules/readRulesView';
import { GradingRulesScreen } from '@/ui/rules/GradingRulesScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.gradingRulesPluckyParcel() };

export default async function GradingRulesPage() {
  await guardPage('/rules/grading');
  return <GradingRulesScreen view={await readRulesView(database())} />;
}
