import type { EntityKind } from '@/core/entities/entities';
import type { Involves, TakenIn } from './define';
import { definitions, type Fact, type FactType } from './facts';

/** Things a fact may look at or change, its subject first. A unit stands for itself and the parts assigned to it. */
export interface Involved extends Involves {
  readonly keys: readonly { readonly kind: EntityKind; readonly id: string }[];
}

/** What has to be loaded before a fact can be applied. */
export function involved<T extends FactType>(fact: Fact<T>): Involved {
  const { subject, involves } = definitions[fact.type];
  const { keys = [], ...rest } = involves(fact.payload);
  return { ...rest, keys: [...(subject ? [{ kind: subject, id: fact.subjectId }] : []), ...keys] };
}

/** How many new tags a fact needs, and of which kind. */
export const tagsNeeded = <T extends FactType>(fact: Fact<T>) => definitions[fact.type].tagsNeeded(fact.payload);

/** The fact as it goes into the log: with the tags that were given out, and the verdict on a part's readings. */
export function completeFact<T extends FactType>(fact: Fact<T>, takenIn: TakenIn): Fact<T> {
  const payload = definitions[fact.type].completed(fact.payload, takenIn);
  return payload === fact.payload ? fact : { ...fact, payload };
}
