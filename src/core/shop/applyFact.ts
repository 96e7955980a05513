import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { definitions, type Fact, type FactType } from './facts';
import { nameOf, type Change, type World } from './world';

/**
 * What a fact changes. The same function runs in the browser (at once) and on the server (for good).
 *
 * @param world  holds at least what the fact involves
 * @param fact   a well-formed fact; tags filled in by the server, absent in the browser
 * @returns the changes, with versions and last facts set; none of the arguments is touched
 * @refuses 'stale' when the person saw an older version; each effect's own reasons
 */
export function applyFact<T extends FactType>(world: World, fact: Fact<T>): Outcome<readonly Change[]> {
  const { subject: kind, effect } = definitions[fact.type];
  if (kind === null) return effect(world, fact);
  const subject = world.find(kind, fact.subjectId);
  if (fact.expects === null && subject) return refuse('id-reused', { id: fact.subjectId });
  if (fact.expects !== null) {
    if (!subject) return refuse('not-found', { id: fact.subjectId });
    if (subject.version !== fact.expects) return refuse('stale', { tag: nameOf(subject) });
  }
  const drafted = effect(world, fact);
  return drafted.ok ? accept(drafted.value.map((change) => stamp(change, fact.id))) : drafted;
}

/** Sets the version and the last fact, in one place, so that no effect can forget it. */
function stamp(change: Change, factId: string): Change {
  if (!change.after) return change;
  const after = { ...change.after, version: (change.before?.version ?? 0) + 1, lastFactId: factId };
  return { ...change, after } as Change;
}
