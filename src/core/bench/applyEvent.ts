import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { applyUndo } from './applyUndo';
import { dockEffects } from './dockEffects';
import type { Effect, Effects } from './effect';
import type { EntityKind } from './entities';
import { subjectKinds, type BenchEvent, type EventType } from './events';
import { matchEffects } from './matchEffects';
import { partEffects } from './partEffects';
import { proofEffects } from './proofEffects';
import { sheetEffects } from './sheetEffects';
import { stepEffects } from './stepEffects';
import { triageEffects } from './triageEffects';
import type { Change, World } from './world';

const effects: Effects<Exclude<EventType, 'undone'>> = {
  ...dockEffects,
  ...triageEffects,
  ...sheetEffects,
  ...stepEffects,
  ...partEffects,
  ...matchEffects,
  ...proofEffects,
};

/**
 * What a fact changes. The same function runs in the browser (at once) and on the server (for good).
 *
 * @param world  holds at least what the fact involves
 * @param event  a well-formed fact; tags filled in by the server, absent in the browser
 * @returns the changes, with versions and last facts set; none of the arguments is touched
 * @refuses 'stale' when the person saw an older version; each effect's own reasons
 */
export function applyEvent(world: World, event: BenchEvent): Outcome<readonly Change[]> {
  if (event.type === 'undone') return applyUndo(world, event as BenchEvent<'undone'>);
  const subject = world.find(subjectKinds[event.type] as EntityKind, event.subjectId);
  if (event.expects === null && subject) return refuse('id-reused', { id: event.subjectId });
  if (event.expects !== null) {
    if (!subject) return refuse('not-found', { id: event.subjectId });
    if (subject.version !== event.expects) return refuse('stale', { tag: nameOf(subject) });
  }
  const effect = effects[event.type] as Effect<EventType>;
  const drafted = effect(world, event);
  return drafted.ok ? accept(drafted.value.map((change) => stamp(change, event.id))) : drafted;
}

/** Sets the version and the last fact, in one place, so that no effect can forget it. */
function stamp(change: Change, eventId: string): Change {
  if (!change.after) return change;
  const after = { ...change.after, version: (change.before?.version ?? 0) + 1, lastEventId: eventId };
  return { ...change, after } as Change;
}

const nameOf = (subject: object): string =>
  'tag' in subject ? String(subject.tag) : 'code' in subject ? String(subject.code) : 'this';
