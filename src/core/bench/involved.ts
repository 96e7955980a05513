import { subjectKinds, type BenchEvent } from './events';
import type { EntityKind } from './entities';
import { gradingRulesVersion } from '@/core/grading/rules';
import type { Change } from './world';

/** Things a fact may look at or change. A unit stands for itself and the parts assigned to it. */
export interface Involved {
  readonly keys: readonly { readonly kind: EntityKind; readonly id: string }[];
  readonly parcelCode?: string;
  readonly serial?: string;
  readonly line?: { readonly parcelId: string; readonly lineNo: number };
  readonly undoes?: string;
}

/** What has to be loaded before a fact can be applied. */
export function involved(event: BenchEvent): Involved {
  const kind = subjectKinds[event.type];
  const own = kind ? [{ kind, id: event.subjectId }] : [];
  switch (event.type) {
    case 'parcel-made':
      return { keys: own, parcelCode: (event as BenchEvent<'parcel-made'>).payload.code };
    case 'unit-tagged': {
      const { parcelId, lineNo } = (event as BenchEvent<'unit-tagged'>).payload;
      const parcel = { kind: 'parcel', id: parcelId } as const;
      return lineNo === null
        ? { keys: [...own, parcel] }
        : { keys: [...own, parcel, { kind: 'line', id: `${parcelId}/${lineNo}` }], line: { parcelId, lineNo } };
    }
    case 'unit-identified':
      return { keys: own, serial: (event as BenchEvent<'unit-identified'>).payload.serial };
    case 'part-assigned':
      return { keys: [...own, { kind: 'part', id: (event as BenchEvent<'part-assigned'>).payload.partId }] };
    case 'undone':
      return { keys: own, undoes: (event as BenchEvent<'undone'>).payload.eventId };
    default:
      return { keys: own };
  }
}

/** How many new tags a fact needs, and of which kind. */
export function tagsNeeded(event: BenchEvent): { readonly unit: number; readonly part: number } {
  if (event.type === 'unit-tagged') return { unit: 1, part: 0 };
  if (event.type === 'step-done') {
    const { freed } = (event as BenchEvent<'step-done'>).payload;
    return { unit: 0, part: freed.filter(({ state }) => state !== 'missing').length };
  }
  return { unit: 0, part: 0 };
}

/** What the server knows when it takes a fact in, and the log should keep. */
export interface TakenIn {
  readonly unitTags: readonly string[];
  readonly partTags: readonly string[];
  readonly changes: readonly Change[];
}

/** The fact as it goes into the log: with the tags that were given out, and the verdict on a part's readings. */
export function completeEvent(event: BenchEvent, { unitTags, partTags, changes }: TakenIn): BenchEvent {
  switch (event.type) {
    case 'unit-tagged':
      return { ...event, payload: { ...(event as BenchEvent<'unit-tagged'>).payload, tag: unitTags[0] } };
    case 'step-done': {
      const { payload } = event as BenchEvent<'step-done'>;
      const left = [...partTags];
      const freed = payload.freed.map((item) => (item.state === 'missing' ? item : { ...item, tag: left.shift() }));
      return { ...event, payload: { ...payload, freed } };
    }
    case 'part-graded': {
      const [change] = changes;
      if (change?.kind !== 'part' || !change.after?.grade || !change.after.limiting) return event;
      const { grade, limiting } = change.after;
      const { readings } = (event as BenchEvent<'part-graded'>).payload;
      return { ...event, payload: { readings, verdict: { grade, limiting, rules: gradingRulesVersion } } };
    }
    default:
      return event;
  }
}
