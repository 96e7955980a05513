import type { Part } from '@/core/entities/entities';
import { accept, refuse } from '@/core/shared/outcome';
import type { Finder } from './define';

/** Finds the part a fact is about, refused unless it is in one of these places. */
export const partIn =
  (...places: readonly Part['place'][]): Finder<Part, unknown> =>
  (world, { subjectId }) => {
    const part = world.find('part', subjectId);
    if (!part) return refuse('not-found', { id: subjectId });
    return places.includes(part.place) ? accept(part) : refuse('wrong-stage', { tag: part.tag, stage: part.place });
  };
