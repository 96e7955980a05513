import type { TalliedFact } from './talliesOf';

/** What `talliesOf` reads of facts, by their type. */
type Slim = { [T in TalliedFact['type']]: (payload: Extract<TalliedFact, { type: T }>['payload']) => object | null };

const slim: Slim = {
  'unit-decided': ({ disposition }) => ({ disposition }),
  'step-done': ({ stepId, freed }) =>
    stepId.startsWith('out:') || stepId.startsWith('back:') || freed.length > 0
      ? { stepId, freed: freed.map(({ partId, partRef, state }) => ({ partId, partRef, state })) }
      : null,
  'step-resisted': ({ stepId, rung, isHandedOver }) => ({ stepId, rung, isHandedOver }),
  'part-trouble': ({ defectCode, partRef, state }) => ({ defectCode, partRef, state }),
  'screw-trouble': ({ stepId, kind, count }) => ({ stepId, kind, count }),
  'part-assigned': ({ partId }) => ({ partId }),
  'part-shelved': () => ({}),
  'part-scrapped': () => ({}),
  'unit-sent': ({ shipment, recipient }) => ({ shipment, recipient }),
};

/** Of a fact what is counted of it: this much is kept when the fact itself is moved to a file. Null where nothing is counted. */
export function countedOf(fact: TalliedFact): TalliedFact | null {
  const payload = (slim[fact.type] as (payload: TalliedFact['payload']) => object | null)(fact.payload);
  const { type, subjectId, at, modelId } = fact;
  return payload && ({ type, subjectId, at, modelId, payload } as TalliedFact);
}
