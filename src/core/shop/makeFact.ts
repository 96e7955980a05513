import { refuse, accept, type Outcome } from '@/core/shared/outcome';
import { definitions, type Fact, type FactType, type Payloads } from './facts';
import type { World } from './world';

/** What a fact is about and what it says, before it has an id and a time. */
export interface Wording<T extends FactType> {
  readonly type: T;
  readonly subjectId: string;
  readonly payload: Payloads[T];
}

/**
 * A fact about a thing as somebody sees it now: the version that was seen and the rules it was said by are filled in.
 *
 * @param seen   what the person sees
 * @param given  id, time and bench, from the caller: the core has neither chance nor clock
 * @refuses 'not-found' when the thing is not there
 */
export function makeFact<T extends FactType>(
  seen: Pick<World, 'find' | 'rules'>,
  { type, subjectId, payload }: Wording<T>,
  given: { readonly id: string; readonly at: string; readonly bench?: string; readonly clockOffS?: number },
): Outcome<Fact<T>> {
  const { subject: kind, makesSubject, usesRules } = definitions[type];
  const subject = kind === null || makesSubject ? undefined : seen.find(kind, subjectId);
  if (kind !== null && !makesSubject && !subject) return refuse('not-found', { id: subjectId });
  const by = usesRules ? { rulesVersion: seen.rules.version } : {};
  return accept(wordedFact<T>({ type, subjectId, payload }, { ...given, ...by, expects: subject?.version ?? null }));
}

/** A fact from its wording, for whoever knows the version that was seen. */
export const wordedFact = <T extends FactType>(
  { type, subjectId, payload }: Wording<T>,
  given: Pick<Fact, 'id' | 'at' | 'expects' | 'rulesVersion' | 'bench' | 'clockOffS'>,
): Fact<T> => ({ ...given, type, subjectId, payload });
