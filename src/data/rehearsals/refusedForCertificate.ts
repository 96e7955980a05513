import type { Knex } from 'knex';
import { modelOf } from '@/core/bench/unitAt';
import type { BenchEvent } from '@/core/bench/events';
import type { World } from '@/core/bench/world';
import type { Person } from '@/core/people/roles';
import { unrehearsed } from '@/core/rehearsal/certified';
import { startingHouseRules } from '@/core/shared/houseRules';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import { recallsOf } from './rehearsalRepository';

/** A refusal where a step for certified people is done by somebody who has not rehearsed it; undefined otherwise. */
export async function refusedForCertificate(
  trx: Knex,
  world: World,
  person: Person,
  event: BenchEvent,
): Promise<Outcome<never> | undefined> {
  if (event.type !== 'step-done' || !startingHouseRules.isRehearsalAsked) return undefined;
  const { leg, id } = readStepId((event as BenchEvent<'step-done'>).payload.stepId);
  const unit = world.find('unit', event.subjectId);
  const model = unit && modelOf(world, unit);
  if (leg !== 'out' || !model?.ok) return undefined;
  const operation = model.value.operations.find((entry) => entry.id === id);
  if (!operation?.needsCertificate) return undefined;
  const recalls = await recallsOf(trx, person.id, model.value.id);
  return unrehearsed(model.value, recalls).includes(id)
    ? refuse('rehearse-first', { step: operation.title })
    : undefined;
}
