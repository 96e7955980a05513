import { modelAmong, type Model } from '@/core/procedure/model';
import { message, type Wording } from '@/core/shared/message';
import { readStepId } from '@/core/teardown/sheet/sheetStep';

/** What a fact speaks of by id, as its model names it; absent where it speaks of no such thing. */
export interface NamedIn {
  readonly step?: Wording<'sheet'>;
  readonly part?: string;
  readonly slot?: string;
  readonly face?: string;
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
  const partName = (id: string) => model?.parts.find((part) => part.id === id)?.name ?? id;
  return {
    ...(stepId && { step: stepName(model, stepId) }),
    ...(partRef && { part: partName(partRef) }),
    ...(slot && { slot: partName(slot) }),
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
  if (leg === 'gate') return message('sheet.gate', { what: operation?.back?.gate?.what ?? id.replaceAll('-', ' ') });
  return (leg === 'back' ? operation?.back?.title : undefined) ?? operation?.title ?? id;
}
