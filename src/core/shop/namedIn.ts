import type { Operation } from '@/core/procedure/operations';
import { lastGate } from '@/core/teardown/sheet/gateSteps';
import { modelAmong, type Model } from '@/core/procedure/model';
import { message, type Wording } from '@/core/shared/message';
import { readStepId } from '@/core/teardown/sheet/sheetStep';

/** What a fact speaks of by id, as its model names it; absent where it speaks of no such thing. */
export interface NamedIn {
  readonly step?: Wording<'sheet'>;
  readonly part?: string;
  readonly slot?: string;
  readonly face?: string;
  /** Parts that are promised, in their order. */
  readonly promised?: readonly string[];
}

/** A fact with the names of what it speaks of. */
export type Named<F> = F & { readonly named: NamedIn };

/** Facts with the names of what they speak of, by the versions their units stand at. */
export const withNames = <
  F extends { readonly payload: object; readonly modelId: string | null; readonly modelVersion: number | null },
>(
  facts: readonly F[],
  models: readonly Model[],
): readonly Named<F>[] =>
  facts.map((fact) => ({
    ...fact,
    named: namedIn(modelAmong(models, fact), fact.payload),
  }));

/** The names behind the ids of a fact. An id that the model does not know stays as it is. */
export function namedIn(model: Model | undefined, payload: object): NamedIn {
  const stepId = textIn(payload, 'stepId');
  const partRef = textIn(payload, 'partRef');
  const slot = textIn(payload, 'slot');
  const face = 'mark' in payload ? textIn(payload.mark, 'face') : undefined;
  const promised: readonly unknown[] = 'parts' in payload && Array.isArray(payload.parts) ? payload.parts : [];
  const partName = (id: string) => model?.parts.find((part) => part.id === id)?.name ?? id;
  return {
    ...(stepId && { step: stepName(model, stepId) }),
    ...(partRef && { part: partName(partRef) }),
    ...(slot && { slot: partName(slot) }),
    ...(promised.length > 0 && { promised: promised.map((own) => partName(textIn(own, 'part') ?? '')) }),
    ...(face && { face: model?.faces.find(({ id }) => id === face)?.name ?? face }),
  };
}

function textIn(said: unknown, key: string): string | undefined {
  const value: unknown = typeof said === 'object' && said !== null ? Reflect.get(said, key) : undefined;
  return typeof value === 'string' ? value : undefined;
}

function stepName(model: Model | undefined, stepId: string): Wording<'sheet'> {
  const { leg, id } = readStepId(stepId);
  const operation = model?.operations.find((entry) => entry.id === id);
  if (leg === 'gate') return gateName(id, operation);
  if (leg === 'move') {
    const part = id.split('.')[1] ?? id;
    return message('sheet.moveOver', { part: model?.parts.find((each) => each.id === part)?.name ?? part });
  }
  if (leg === 'moment') return momentName(model, id) ?? id;
  return (leg === 'back' ? operation?.back?.title : undefined) ?? operation?.title ?? id;
}

function gateName(id: string, operation: Operation | undefined): Wording<'sheet'> {
  if (operation?.back?.gate) return message('sheet.gate', { what: operation.back.gate.what });
  if (id.startsWith('before-'))
    return message('sheet.gateTestBeforeSealing', { isSeals: id === lastGate ? 'no' : 'yes' });
  return message('sheet.gate', { what: id.replaceAll('-', ' ') });
}

function momentName(model: Model | undefined, id: string): Wording<'sheet'> | undefined {
  const [leg, operationId, at] = id.split('.');
  const operation = model?.operations.find((entry) => entry.id === operationId);
  const wait = (leg === 'back' ? operation?.back : operation)?.waits?.[Number(at)];
  return wait && (wait.first?.does ?? message('sheet.nextWait', { what: wait.what }));
}
