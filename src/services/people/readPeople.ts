import type { Knex } from 'knex';
import type { WorkBench } from '@/core/people/benches';
import type { Member } from '@/core/people/roster';
import { shopDay } from '@/core/shared/shopDay';
import { listBenches } from '@/data/people/benchRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { latestShopChanges, type RecordedChange } from '@/data/people/shopChanges';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface PeopleView {
  readonly members: readonly Member[];
  readonly benches: readonly WorkBench[];
  readonly changes: readonly RecordedChange[];
  /** The shop's day, ISO. */
  readonly today: string;
}

const shownChanges = 30;

/** Everybody, where they work, and what was changed lately. */
export async function readPeople(db: Knex, now: Date): Promise<PeopleView> {
  const [members, benches, changes, { shop }] = await Promise.all([
    listMembers(db),
    listBenches(db),
    latestShopChanges(db, shownChanges),
    currentRules(db),
  ]);
  return { members, benches, changes, today: shopDay(now.getTime(), shop.timeZone) };
}
