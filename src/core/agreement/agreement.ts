import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import type { GradingRules } from '@/core/shared/gradingRules';
import { disputesOf, type Dispute, type TwoLooks } from './disputes';
import { kappa, type Kappa } from './kappa';

/** How well some pairs of looks agree. */
export interface Agreement {
  readonly plain: Kappa;
  /** Two grades that are near count as agreeing in part. */
  readonly weighted: Kappa;
}

export interface ShopAgreement {
  /** All pairs of two people; null before the first. */
  readonly all: Agreement | null;
  readonly byCategory: readonly (Agreement & { readonly category: PartCategory })[];
  /** One person's looks against those of all others, whoever came first; in no order of merit. */
  readonly byPerson: readonly (Agreement & { readonly person: string })[];
  /** People against their own earlier look. */
  readonly withOneself: Agreement | null;
  readonly disputes: readonly Dispute[];
}

/** @param looks  by anybody; a person's second look at what they graded themselves counts apart */
export function agreementOf(looks: readonly TwoLooks[], rules: GradingRules): ShopAgreement {
  const between = looks.filter(({ by: [first, second] }) => first !== second);
  const own = looks.filter(({ by: [first, second] }) => first === second);
  const people = [...new Set(between.flatMap(({ by }) => by))].sort();
  return {
    all: agreement(between),
    byCategory: partCategories.flatMap((category) => {
      const of = agreement(between.filter((look) => look.category === category));
      return of ? [{ category, ...of }] : [];
    }),
    byPerson: people.flatMap((person) => {
      const of = agreement(between.filter(({ by }) => by.includes(person)));
      return of ? [{ person, ...of }] : [];
    }),
    withOneself: agreement(own),
    disputes: disputesOf(between, rules),
  };
}

const agreement = (pairs: readonly TwoLooks[]): Agreement | null =>
  pairs.length === 0 ? null : { plain: kappa(pairs, 'plain'), weighted: kappa(pairs, 'weighted') };
