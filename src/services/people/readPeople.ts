import type { Knex } from 'knex';
import { wearOf, type BitWear } from '@/core/screws/bitWear';
import type { WorkBench } from '@/core/people/benches';
import type { Member } from '@/core/people/roster';
import { shopDay } from '@/core/shared/shopDay';
import { listBenches } from '@/data/people/benchRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { listSessions } from '@/data/people/sessionRepository';
import { latestShopChanges, type RecordedChange } from '@/data/people/shopChanges';
import { bitLives } from '@/data/screws/bitLives';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface PeopleView {
  readonly members: readonly Member[];
  readonly benches: readonly WorkBench[];
  readonly changes: readonly RecordedChange[];
  /** The bits in use at each bench, worn ones first. */
  readonly bits: readonly (BitWear & { readonly bench: string })[];
  /** Who is signed in where, the latest press first. */
  readonly sessions: readonly ShownSession[];
  /** The shop's day, ISO. */
  readonly today: string;
}

export interface ShownSession {
  readonly id: string;
  readonly name: string;
  readonly bench: string;
  readonly address: string;
  /** ISO. */
  readonly beganAt: string;
  readonly seenAt: string;
}

const shownChanges = 30;

/** Everybody, where they work, and what was changed lately. */
export async function readPeople(db: Knex, now: Date): Promise<PeopleView> {
  const [members, benches, changes, lives, { shop }, open] = await Promise.all([
    listMembers(db),
    listBenches(db),
    latestShopChanges(db, shownChanges),
    bitLives(db),
    currentRules(db),
    listSessions(db, now),
  ]);
  const bits = lives
    .filter(({ isOver }) => !isOver)
    .map(({ bench, drive }) => ({ bench, ...wearOf(lives, bench, drive) }))
    .sort((a, b) => Number(b.isWorn) - Number(a.isWorn));
  const sessions = open.map(({ id, person_id: personId, bench, address, began_at: began, seen_at: seen }) => ({
    id,
    name: members.find((member) => member.id === personId)?.name ?? '',
    bench,
    address,
    beganAt: began.toISOString(),
    seenAt: seen.toISOString(),
  }));
  return { members, benches, changes, bits, sessions, today: shopDay(now.getTime(), shop.timeZone) };
}
