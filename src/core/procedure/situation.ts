import type { Model } from './model';
import type { Operation } from './operations';
import type { Finding } from './vocabulary';

/** What decides which operations of a model concern this unit. */
export interface Situation {
  readonly revision: string | null;
  readonly configuration: string | null;
  readonly findings: readonly Finding[];
}

/** The operations of a model that exist for a unit in this situation, in the author's order. */
export function operationsFor(model: Model, situation: Situation): readonly Operation[] {
  return model.operations.filter(({ when }) => {
    if (!when) return true;
    const { revisions, configurations, findings, absentFindings } = when;
    return (
      (!revisions || (situation.revision !== null && revisions.includes(situation.revision))) &&
      (!configurations || (situation.configuration !== null && configurations.includes(situation.configuration))) &&
      (!findings || findings.some((finding) => situation.findings.includes(finding))) &&
      (!absentFindings || !absentFindings.some((finding) => situation.findings.includes(finding)))
    );
  });
}

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
