import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readRulesView } from '@/services/rules/readRulesView';
import { HouseRulesScreen } from '@/ui/rules/HouseRulesScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.rulesPluckyParcel() };

export default async function RulesPage() {
  await guardPage('/rules');
  return <HouseRulesScreen view={await readRulesView(database())} />;
}
