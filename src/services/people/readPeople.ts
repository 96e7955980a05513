import type { Knex } from 'knex';
import { wearOf, type BitWear } from '@/core/screws/bitWear';
import type { WorkBench } from '@/core/people/benches';
import type { Member } from '@/core/people/roster';
import { shopDay } from '@/core/shared/shopDay';
import { listBenches } from '@/data/people/benchRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { latestShopChanges, type RecordedChange } from '@/data/people/shopChanges';
import { bitLives } from '@/data/screws/bitLives';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface PeopleView {
  readonly members: readonly Member[];
  readonly benches: readonly WorkBench[];
  readonly changes: readonly RecordedChange[];
  /** The bits in use at each bench, worn ones first. */
  readonly bits: readonly (BitWear & { readonly bench: string })[];
  /** The shop's day, ISO. */
  readonly today: string;
}

const shownChanges = 30;

/** Everybody, where they work, and what was changed lately. */
export async function readPeople(db: Knex, now: Date): Promise<PeopleView> {
  const [members, benches, changes, lives, { shop }] = await Promise.all([
    listMembers(db),
    listBenches(db),
    latestShopChanges(db, shownChanges),
    bitLives(db),
    currentRules(db),
  ]);
  const bits = lives
    .filter(({ isOver }) => !isOver)
    .map(({ bench, drive }) => ({ bench, ...wearOf(lives, bench, drive) }))
    .sort((a, b) => Number(b.isWorn) - Number(a.isWorn));
  return { members, benches, changes, bits, today: shopDay(now.getTime(), shop.timeZone) };
}
