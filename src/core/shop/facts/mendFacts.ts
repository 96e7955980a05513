import { recalledFrom } from '@/core/entities/stages';
import { accept, refuse } from '@/core/shared/outcome';
import { define, on, type Nothing } from '../define';
import { unitIn } from '../findUnit';
import { unitChange } from '../world';

/** A mistake is put right later: what was decided or released is open again. */
export const mendFacts = {
  /** Back to Triage, where model, tests and decision are looked at anew; while nothing came out and nothing went in. */
  'unit-recalled': define<{ readonly because: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn(...recalledFrom), (unit) => {
      const { tag, sheet } = unit;
      if (Object.keys(unit.fitted).length > 0) return refuse('has-begun', { tag, what: 'fitted' });
      if (Object.keys(unit.assigned).length > 0) return refuse('has-begun', { tag, what: 'assigned' });
      if (sheet && sheet.doneStepIds.length > 0) return refuse('has-begun', { tag, what: 'sheet' });
      const open = { stage: 'triage', disposition: null, apartPlace: null, sheet: null, timer: null } as const;
      return accept([unitChange(unit, { ...unit, ...open, promised: {}, proof: {}, saleGrade: null })]);
    }),
  }),

  /** The sale grade was wrong: the unit goes back to be proven, with the tests it passed. */
  'release-withdrawn': define<Nothing>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('send'), (unit) => accept([unitChange(unit, { ...unit, stage: 'prove', saleGrade: null })])),
  }),
};
