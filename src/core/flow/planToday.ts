import type { Unit } from '@/core/entities/entities';
import { sheetOf } from '@/core/sheet/sheetOf';
import { nextStep } from '@/core/sheet/sheetSteps';
import { slotNeeds } from '@/core/sale/slots';
import type { LineStage } from '@/core/entities/stages';
import { modelAmong, type Model } from '@/core/procedure/model';
import { sumMinutes } from '@/core/teardown/sheet/runSheet';
import { openProofs } from '@/core/sale/openProofs';
import { message, type Message } from '@/core/shared/message';

/** Something a person could take up now. */
export interface Job {
  readonly id: string;
  readonly kind: 'go-on' | 'prove' | 'rebuild' | 'match' | 'teardown' | 'grade' | 'triage' | 'send' | 'dock';
  readonly tag: string | null;
  readonly title: Message<'today'>;
  readonly because: Message<'today'>;
  readonly minutes: number;
  readonly path: string;
}

interface Situation {
  readonly units: readonly Unit[];
  readonly models: readonly Model[];
  readonly waiting: Readonly<Record<LineStage, number>>;
  readonly shelf: Readonly<Record<string, unknown>>;
}

/** Usual minutes for one thing at the stages that have no sheet. */
const usualMinutes = { grade: 1.5, triage: 1, test: 1, match: 2, send: 2, dock: 0.5 } as const;

/**
 * The run list: finish what is open, then what is nearest to money, then what feeds the line. Within one kind, the
 * shortest first.
 */
export function planToday({ units, models, waiting, shelf }: Situation): readonly Job[] {
  const jobs = units.flatMap((unit): Job[] => {
    const model = modelAmong(models, unit);
    return model ? (jobOf(unit, model, shelf) ?? []) : [];
  });
  const order: Job['kind'][] = ['go-on', 'send', 'prove', 'rebuild', 'match', 'teardown'];
  const sorted = jobs.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind) || a.minutes - b.minutes);
  return [...sorted, ...bulkJobs(waiting)];
}

function jobOf(unit: Unit, model: Model, shelf: Situation['shelf']): Job[] | null {
  const { tag, id, sheet, stage } = unit;
  const bench = `/bench/${tag}`;
  if (stage === 'teardown' || stage === 'rebuild') {
    const back = stage === 'rebuild';
    if (!sheet || sheet.isClosed) {
      const title = back
        ? message('today.rebuild', { name: model.name })
        : message('today.takeApart', { name: model.name });
      const because = message('today.allItsPartsAreSet', { isBack: back ? 'yes' : 'no' });
      return [{ id, tag, kind: back ? 'rebuild' : 'teardown', title, because, minutes: back ? 30 : 15, path: bench }];
    }
    const planned = sheetOf(model, unit, sheet);
    if (!planned.ok) return null;
    const left = planned.value.steps.filter((step) => !sheet.doneStepIds.includes(step.id));
    const next = nextStep(planned.value.steps, sheet);
    const started = sheet.doneStepIds.length > 0;
    const because = message('today.stepsDone', {
      doneStepIds: sheet.doneStepIds.length,
      stepIds: sheet.stepIds.length,
    });
    return [
      {
        id,
        tag,
        kind: started ? 'go-on' : back ? 'rebuild' : 'teardown',
        title: message('today.continueWord', { isStarted: started ? 'yes' : 'no', step: next?.title ?? model.name }),
        because,
        minutes: sumMinutes(left).likely,
        path: bench,
      },
    ];
  }
  if (stage === 'prove') {
    const open = openProofs(model, unit).length;
    return [
      {
        id,
        tag,
        kind: 'prove',
        title: message('today.prove', { name: model.name }),
        because: message('today.testsPassedReadyToRelease', { count: open }),
        minutes: 2 + open * usualMinutes.test,
        path: `/prove?unit=${tag}`,
      },
    ];
  }
  if (stage === 'match') {
    const needed = slotNeeds(model, unit).filter(({ part, isNeeded }) => isNeeded && !unit.assigned[part.id]);
    const lacking = needed.filter(({ part }) => shelf[part.interchange] === undefined);
    if (lacking.length > 0) return null;
    const names = needed.map(({ part }) => part.name);
    return [
      {
        id,
        tag,
        kind: 'match',
        title: message('today.match', { name: model.name }),
        because: message('today.needsNoPart', { count: needed.length, names }),
        minutes: usualMinutes.match,
        path: `/match?unit=${tag}`,
      },
    ];
  }
  return null;
}

function bulkJobs(waiting: Situation['waiting']): Job[] {
  const bulk = (
    kind: 'grade' | 'triage' | 'send' | 'dock',
    title: (count: number) => Message<'today'>,
    because: Message<'today'>,
  ): Job[] =>
    waiting[kind] === 0
      ? []
      : [
          {
            id: kind,
            tag: null,
            kind,
            title: title(waiting[kind]),
            because,
            minutes: Math.max(1, waiting[kind] * usualMinutes[kind]),
            path: `/${kind}`,
          },
        ];
  return [
    ...bulk('send', (count) => message('today.sendUnit', { count }), message('today.provenAndGradedForSale')),
    ...bulk('grade', (count) => message('today.gradePart', { count }), message('today.theyCannotBeUsedBefore')),
    ...bulk('triage', (count) => message('today.triageUnit', { count }), message('today.taggedButNotDecided')),
    ...bulk('dock', (count) => message('today.tagUnit', { count }), message('today.expectedStillInBox')),
  ];
}
