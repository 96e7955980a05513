import type { Knex } from 'knex';
import { agreementOf, type ShopAgreement } from '@/core/agreement/agreement';
import { listMembers } from '@/data/people/peopleRepository';
import { twoLooks } from '@/data/parts/secondLooks';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface AgreementView extends ShopAgreement {
  /** Names by id. */
  readonly people: Readonly<Record<string, string>>;
}

/** So many of the newest second looks are counted. */
const mostLooks = 2000;

/** How well people grade alike, and on what they differ. */
export async function readAgreement(db: Knex): Promise<AgreementView> {
  const [looks, rules, members] = await Promise.all([twoLooks(db, mostLooks), currentRules(db), listMembers(db)]);
  return {
    ...agreementOf(looks, rules),
    people: Object.fromEntries(members.map(({ id, name }) => [id, name])),
  };
}
