import { message } from '@/core/shared/message';
import { endedBy, usualEnd, weighedByEnds } from './ends';
import type { Model } from './model';
import type { Arc, Condition, Operation } from './operations';
import type { DeviceTest, Finding, TestResult } from './vocabulary';

/** What decides which operations of a model concern this unit. */
export interface Situation {
  readonly revision: string | null;
  readonly configuration: string | null;
  readonly findings: readonly Finding[];
  /** How its quick tests came out; what was not tested counts as sound. */
  readonly tests?: Partial<Readonly<Record<DeviceTest, TestResult>>>;
  /** How operations that are done ended, by their id; those to come are taken to end as usual. */
  readonly ended?: ReadonlyMap<string, string>;
}

/** The operations of a model that exist for a unit in this situation, in the author's order. */
export function operationsFor(model: Model, situation: Situation): readonly Operation[] {
  const byId = new Map(model.operations.map((operation) => [operation.id, operation]));
  return model.operations.flatMap((operation) => {
    const { when } = operation;
    const endId = situation.ended?.get(operation.id);
    const ended =
      endId === undefined
        ? weighedByEnds(operation, followUpsOf(model, operation, situation))
        : endedBy(operation, endId);
    if (!when) return [ended];
    if (!isMet(when, situation) || !hasEnded(when, situation, byId)) return [];
    return [when.ends ? { ...ended, after: [...ended.after, ...arcsOfEnds(when.ends)] } : ended];
  });
}

/** Steps that exist only after an end of an operation, by that end. */
function followUpsOf(
  model: Model,
  { id, ends }: Operation,
  situation: Situation,
): ReadonlyMap<string, readonly Operation[]> {
  if (!ends) return none;
  const waiting = model.operations.filter(
    ({ when }) => when?.ends?.some(({ operation }) => operation === id) && isMet(when, situation),
  );
  if (waiting.length === 0) return none;
  return new Map(
    ends.map((end) => [
      end.id,
      waiting.filter(({ when }) => when?.ends?.some((asked) => asked.operation === id && asked.end === end.id)),
    ]),
  );
}

const none: ReadonlyMap<string, readonly Operation[]> = new Map();

function isMet(when: Condition, situation: Situation): boolean {
  const { revisions, configurations, findings, absentFindings, tests = [] } = when;
  return (
    (!revisions || (situation.revision !== null && revisions.includes(situation.revision))) &&
    (!configurations || (situation.configuration !== null && configurations.includes(situation.configuration))) &&
    (!findings || findings.some((finding) => situation.findings.includes(finding))) &&
    (!absentFindings || !absentFindings.some((finding) => situation.findings.includes(finding))) &&
    tests.every(({ test, result }) => (situation.tests?.[test] === 'fault') === (result === 'fault'))
  );
}

function hasEnded(when: Condition, { ended }: Situation, byId: ReadonlyMap<string, Operation>): boolean {
  return (
    !when.ends ||
    when.ends.some(({ operation, end }) => {
      const other = byId.get(operation);
      return other !== undefined && (ended?.get(operation) ?? usualEnd(other)?.id) === end;
    })
  );
}

/** What exists only after an end comes after the operation that ended so. */
const arcsOfEnds = (ends: NonNullable<Condition['ends']>): readonly Arc[] => [
  {
    any: [...new Set(ends.map(({ operation }) => operation))],
    reason: 'physical',
    because: message('sheet.onlyAfterThatEnd'),
  },
];

/** The arcs of an operation, each as the alternatives that exist in this situation. One without any asks for nothing. */
export function clausesOf(operation: Operation, byId: ReadonlyMap<string, Operation>): string[][] {
  return operation.after.map(({ any }) => any.filter((id) => byId.has(id))).filter((any) => any.length > 0);
}

/** True when every arc that exists in this situation has one alternative done. */
export function isReady(
  operation: Operation,
  done: ReadonlySet<string>,
  byId: ReadonlyMap<string, Operation>,
): boolean {
  return clausesOf(operation, byId).every((any) => any.some((id) => done.has(id)));
}
