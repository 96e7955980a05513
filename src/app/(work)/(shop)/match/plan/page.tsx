import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readOrders } from '@/services/match/readOrders';
import { isAtLeastRole } from '@/core/people/roles';
import { MatchPlanScreen } from '@/ui/match/plan/MatchPlanScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.matchPlanPluckyParcel() };

export default async function MatchPlanPage() {
  const { role } = await guardPage('/match/plan');
  return <MatchPlanScreen mayAccept={isAtLeastRole(role, 'lead')} orders={await readOrders(database())} />;
}
