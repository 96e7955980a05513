import type { Unit } from '@/core/bench/entities';
import { nextStep, sheetOf } from '@/core/bench/sheetOf';
import { slotNeeds } from '@/core/bench/slots';
import type { Knot } from '@/core/bench/stages';
import type { Model } from '@/core/procedure/model';
import { sumMinutes } from '@/core/teardown/sheet/runSheet';
import { openProofs } from '@/core/bench/proving';

/** Something a person could take up now. */
export interface Job {
  readonly id: string;
  readonly kind: 'go-on' | 'prove' | 'rebuild' | 'match' | 'teardown' | 'grade' | 'triage' | 'send' | 'dock';
  readonly tag: string | null;
  readonly title: string;
  readonly because: string;
  readonly minutes: number;
  readonly path: string;
}

interface Situation {
  readonly units: readonly Unit[];
  readonly models: readonly Model[];
  readonly waiting: Readonly<Record<Knot, number>>;
  readonly shelf: Readonly<Record<string, unknown>>;
}

/** Usual minutes for one thing at the stages that have no sheet. */
const usualMinutes = { grade: 1.5, triage: 1, test: 1, match: 2, send: 2, dock: 0.5 } as const;

/**
 * The run list: finish what is open, then what is nearest to money, then what feeds the line. Within one kind, the
 * shortest first.
 */
export function planToday({ units, models, waiting, shelf }: Situation): readonly Job[] {
  const modelOf = (unit: Unit) =>
    models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion);
  const jobs = units.flatMap((unit): Job[] => {
    const model = modelOf(unit);
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
      const title = back ? `Rebuild ${model.name}` : `Take ${model.name} apart`;
      const because = back ? 'all its parts are set aside' : 'decided as a donor';
      return [{ id, tag, kind: back ? 'rebuild' : 'teardown', title, because, minutes: back ? 30 : 15, path: bench }];
    }
    const planned = sheetOf(model, unit, sheet);
    if (!planned.ok) return null;
    const left = planned.value.steps.filter((step) => !sheet.doneStepIds.includes(step.id));
    const next = nextStep(planned.value.steps, sheet);
    const started = sheet.doneStepIds.length > 0;
    const because = `${sheet.doneStepIds.length} of ${sheet.stepIds.length} steps done`;
    return [
      {
        id,
        tag,
        kind: started ? 'go-on' : back ? 'rebuild' : 'teardown',
        title: `${started ? 'Go on' : 'Start'}: ${next?.title ?? model.name}`,
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
        title: `Prove ${model.name}`,
        because: open > 0 ? `${open} tests open` : 'tests passed; it waits for its release',
        minutes: 2 + open * usualMinutes.test,
        path: `/prove?unit=${tag}`,
      },
    ];
  }
  if (stage === 'match') {
    const needed = slotNeeds(model, unit).filter(({ part, isNeeded }) => isNeeded && !unit.assigned[part.id]);
    const lacking = needed.filter(({ part }) => shelf[part.interchange] === undefined);
    if (lacking.length > 0) return null;
    const names = needed.map(({ part }) => part.name).join(', ');
    return [
      {
        id,
        tag,
        kind: 'match',
        title: `Match ${model.name}`,
        because: names === '' ? 'it needs no part' : `${names}: on the shelf`,
        minutes: usualMinutes.match,
        path: `/match?unit=${tag}`,
      },
    ];
  }
  return null;
}

function bulkJobs(waiting: Situation['waiting']): Job[] {
  const bulk = (kind: 'grade' | 'triage' | 'send' | 'dock', title: (n: number) => string, because: string): Job[] =>
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
  const things = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;
  return [
    ...bulk('send', (n) => `Send ${things(n, 'unit')}`, 'proven and graded for sale'),
    ...bulk('grade', (n) => `Grade ${things(n, 'part')}`, 'nobody can use them before'),
    ...bulk('triage', (n) => `Look at ${things(n, 'unit')}`, 'tagged and not decided'),
    ...bulk('dock', (n) => `Tag ${things(n, 'unit')}`, 'expected and still in the box'),
  ];
}
