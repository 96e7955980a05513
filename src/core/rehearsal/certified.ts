import type { Model } from '@/core/procedure/model';
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
