import type { Knex } from 'knex';
import type { Role } from '@/core/people/roles';
import { listBenches } from '@/data/people/benchRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface SignInView {
  readonly shopName: string;
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: Role;
    readonly usualBench: string | null;
  }[];
  readonly benches: readonly { readonly id: string; readonly name: string }[];
}

/** Who may sign in, and where. Names are no secret in a workshop. */
export async function readSignIn(db: Knex): Promise<SignInView> {
  const [members, benches, { shop }] = await Promise.all([listMembers(db), listBenches(db), currentRules(db)]);
  return {
    shopName: shop.name,
    people: members
      .filter(({ hasLeft }) => !hasLeft)
      .map(({ id, name, role, usualBench }) => ({ id, name, role, usualBench })),
    benches: benches.filter(({ isInUse }) => isInUse).map(({ id, name }) => ({ id, name })),
  };
}
