import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { importModel } from '@/services/models/importModel';

/** What the summer parcel taught about one model, published as its next version: the old units keep the old one. */
export async function publishLearned(db: Knex, models: readonly Model[], at: Date): Promise<Model> {
  const reed = models.find(({ id }) => id === 'brinewell-reed-2') as Model;
  const learned: Model = {
    ...reed,
    version: reed.version + 1,
    operations: reed.operations.map((operation) => learnedOf(operation)),
  };
  const published = { at, note: 'Window takes longer than written; shell clips break when cold', by: 'Sunniva T.' };
  const outcome = await importModel(db, JSON.stringify(learned), published);
  if (!outcome.ok) throw new Error(`demo: ${JSON.stringify(outcome.refusal)}`);
  return outcome.value;
}

function learnedOf(operation: Operation): Operation {
  if (operation.id === 'window') return { ...operation, minutes: { low: 0.9, likely: 1.3, high: 2.4 } };
  if (operation.id !== 'front') return operation;
  const cold = { what: 'Clips break below 15 °C.', instead: 'Let the unit lie for half an hour first.' };
  return { ...operation, cautions: [...operation.cautions, cold] };
}
