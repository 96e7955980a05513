import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Entities, EntityKind } from '../entities/entities';
import type { Said } from './define';
import { nameOf, type Change, type World } from './world';

/**
 * Takes a fact back by restoring what each thing it touched was before. The log keeps both facts.
 *
 * Possible while nothing newer has touched any of them: the last fact of each must be the one taken back. Versions go on
 * counting up, so that a page that saw the undone state is refused as stale.
 *
 * @refuses 'not-found' for an unknown fact; 'undo-too-late' when it was taken back already; 'stands-on-it' when something
 *   newer does
 */
export function applyUndo(world: World, fact: Said<{ readonly factId: string }>): Outcome<readonly Change[]> {
  const recorded = world.findRecorded(fact.payload.factId);
  if (!recorded) return refuse('not-found', { id: fact.payload.factId });
  if (recorded.isUndone || recorded.touched.length === 0) return refuse('undo-too-late');
  const changes: Change[] = [];
  for (const { kind, id, before } of recorded.touched) {
    const now = world.find(kind, id);
    if (!now) return refuse('undo-too-late');
    if (now.lastFactId !== fact.payload.factId || (before === null && hasUnits(world, kind, id)))
      return refuse('stands-on-it', standsOn(world, now));
    changes.push({ kind, id, before: now, after: before && { ...before, version: now.version + 1 } } as Change);
  }
  return accept(changes);
}

/** A parcel or a line of its list cannot go while a unit was tagged for it. */
function hasUnits(world: World, kind: EntityKind, id: string): boolean {
  if (kind === 'parcel') return world.countUnits(id) > 0;
  if (kind !== 'line') return false;
  const line = world.find('line', id);
  return line !== undefined && world.findUnitByLine(line.parcelId, line.lineNo) !== undefined;
}

/** What stands in the way, by the name people know: a line of a list by its parcel. */
function standsOn(world: World, thing: Entities[EntityKind]): { readonly tag: string; readonly id: string } {
  const known = 'parcelId' in thing && !('tag' in thing) ? world.find('parcel', thing.parcelId) : thing;
  return { tag: nameOf(known ?? thing), id: (known ?? thing).id };
}
