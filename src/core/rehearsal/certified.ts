import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { modelOf } from '@/core/shop/findUnit';
import type { Fact } from '@/core/shop/facts';
import type { World } from '@/core/shop/world';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { HouseRules } from '@/core/shared/houseRules';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { scoreOf, type Recall } from './recall';

/** Where the practice sheet does not come to a step, so much of the model must be known instead. */
const shareOfModel = 0.5;

/**
 * Operations for certified people that somebody may not do yet, because no rehearsal of them was passed: what is asked
 * of such a step must have been right the last time, and enough of all that was asked of the model.
 *
 * @param recalls  what the person remembers of the model
 * @returns ids of operations, empty where nothing of the model needs a certificate
 */
export function unrehearsed(model: Model, recalls: readonly Recall[]): readonly string[] {
  const { isPassed } = scoreOf(recalls.map(({ item, box }) => ({ item, isRight: box > 0 })));
  return model.operations
    .filter(({ needsCertificate }) => needsCertificate)
    .map(({ id }) => id)
    .filter((id) => {
      const own = recalls.filter(({ item }) => item.split(':')[1] === id);
      const isKnown =
        own.length > 0 ? own.every(({ box }) => box > 0) : recalls.length >= shareOfModel * model.operations.length;
      return !(isPassed && isKnown);
    });
}

/** An operation that is open only to who has rehearsed it. */
export interface CertifiedStep {
  readonly model: Model;
  readonly operation: Operation;
}

/** The step for certified people that a fact says is done; null when it says no such thing. */
export function certifiedStep(world: World, fact: Fact): CertifiedStep | null {
  if (fact.type !== 'step-done') return null;
  const { leg, id } = readStepId(fact.payload.stepId);
  const unit = world.find('unit', fact.subjectId);
  const model = unit && modelOf(world, unit);
  if (leg !== 'out' || !model?.ok) return null;
  const operation = model.value.operations.find((entry) => entry.id === id);
  return operation?.needsCertificate ? { model: model.value, operation } : null;
}

/** What is known of a person when a step for certified people is done. */
export interface Practice {
  readonly recalls: readonly Recall[];
  /** Whether their certificate is current on the day. */
  readonly isCertified: boolean;
}

/** A refusal where the house asks more of a person for this step than they have. */
export function refusedToUncertified(
  rules: Pick<HouseRules, 'isRehearsalAsked' | 'isCertificateAsked'>,
  { model, operation: { id, title } }: CertifiedStep,
  { recalls, isCertified }: Practice,
): Outcome<never> | undefined {
  if (rules.isCertificateAsked && !isCertified) return refuse('certificate-asked', { step: title });
  if (rules.isRehearsalAsked && unrehearsed(model, recalls).includes(id))
    return refuse('rehearse-first', { step: title });
  return undefined;
}
