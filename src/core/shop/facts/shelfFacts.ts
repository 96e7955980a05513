import type { Part } from '@/core/entities/entities';
import { stocked } from '@/core/entities/stages';
import { accept, refuse } from '@/core/shared/outcome';
import { conditioningOf, type ConditioningStep } from '@/core/battery/conditioning';
import { define, on, type Nothing } from '../define';
import { partIn } from '../findPart';
import { partChange } from '../world';

/** Shelf: put away, kept for somebody, fetched, missed at a count, or gone for good. */
export const shelfFacts = {
  /** Into a bin: from the hand, from another bin, or found again. What was reserved stays so, and what was promised is. */
  'part-shelved': define<{ readonly bin: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('to-shelve', 'shelf', 'reserved', 'lost'), (part, { at, payload: { bin } }) => {
      if (!part.isDataCleared) return refuse('data-bearing', { tag: part.tag });
      if (stocked.includes(part.place)) return accept([partChange(part, { ...offCharger(part), bin })]);
      const place = part.reservedFor === undefined ? 'shelf' : 'reserved';
      return accept([partChange(part, { ...offCharger(part), place, bin, storedAt: at })]);
    }),
  }),

  'part-reserved': define<{ readonly for: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn(...stocked), (part, { payload }) =>
      accept([partChange(part, { ...part, place: 'reserved', reservedFor: payload.for })]),
    ),
  }),

  'part-unreserved': define<Nothing>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('reserved'), (part) => accept([partChange(part, { ...unreserved(part), place: 'shelf' })])),
  }),

  /** Fetched from its bin for the unit it was set aside for: it lies at that bench now. */
  'part-picked': define<Nothing>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('assigned'), (part) =>
      part.bin === null ? refuse('part-picked', { tag: part.tag }) : accept([partChange(part, { ...part, bin: null })]),
    ),
  }),

  /** It was counted and does not lie where it should. */
  'part-missed': define<{ readonly because: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('to-shelve', ...stocked), (part) =>
      accept([partChange(part, { ...offCharger(unreserved(part)), place: 'lost', bin: null })]),
    ),
  }),

  /** A cell on the shelf was charged to where it keeps best, and the voltage it rests at was read. */
  'cell-topped-up': define<{ readonly restVolt: number }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn(...stocked), (part, { at, payload: { restVolt } }) =>
      part.category === 'battery'
        ? accept([partChange(part, { ...offCharger(part), cell: { ...part.cell, restVolt }, storedAt: at })])
        : refuse('no-cell', { tag: part.tag }),
    ),
  }),

  /**
   * A cell was put on a charger that goes through a whole cycle by itself: the timeline is worked out of its rating, about how
   * much of it it holds and how much is in it now, and kept in the log.
   */
  'cell-conditioned': define<{
    readonly ratedAmpHours: number;
    readonly health: number;
    readonly filled: number;
    /** Noted by the server. */
    readonly steps?: readonly ConditioningStep[];
  }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    completed: (payload, { changes: [change] }) => {
      const steps = change?.kind === 'part' ? change.after?.conditioning?.steps : undefined;
      return steps ? { ...payload, steps } : payload;
    },
    effect: on(partIn('grade', 'to-shelve', ...stocked), (part, { at, payload }) => {
      const { ratedAmpHours, health, filled, steps } = payload;
      if (part.category !== 'battery') return refuse('no-cell', { tag: part.tag });
      if (part.conditioning) return refuse('cell-on-already', { tag: part.tag });
      const timeline = steps ?? conditioningOf({ ratedAmpHours }, health, filled);
      return accept([partChange(part, { ...part, conditioning: { beganAt: at, steps: timeline } })]);
    }),
  }),

  /** Off its charger, because it is over or before. */
  'cell-taken-off': define<Nothing>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('grade', 'to-shelve', ...stocked), (part) =>
      part.conditioning ? accept([partChange(part, offCharger(part))]) : refuse('cell-not-on', { tag: part.tag }),
    ),
  }),

  'part-scrapped': define<{ readonly because: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('grade', 'to-shelve', ...stocked, 'lost'), (part) =>
      accept([partChange(part, { ...offCharger(unreserved(part)), place: 'scrap', bin: null })]),
    ),
  }),

  /** Out of the shop for good: to whoever may take it. */
  'part-handed-over': define<{ readonly to: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('scrap', 'hazard'), (part) => accept([partChange(part, { ...part, place: 'gone' })])),
  }),
};

function offCharger({ conditioning: _, ...part }: Part): Part {
  return part;
}

function unreserved({ reservedFor: _, ...part }: Part): Part {
  return part;
}
