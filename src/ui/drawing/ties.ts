import type { Point } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import * as counts from '@/words/catalogue/counts';
import * as words from '@/words/catalogue/drawing';

/** A joint that still ties what is opened, and how far it lets it. */
export interface Tie extends Point {
  readonly id: string;
  readonly says: string;
}

/** Where something is tied, as far as that is on a face: the joints that the step opens until which it holds. */
export function tiesOf(
  model: Model,
  faceId: string,
  tethers: readonly NonNullable<Operation['limit']>[],
): readonly Tie[] {
  return tethers.flatMap(({ until, mm, degrees }) => {
    const opened = model.operations.find(({ id }) => id === until)?.opens ?? [];
    const opening = mm === undefined ? counts.degrees({ degrees }) : counts.millimetres({ mm });
    return model.joints
      .filter(({ id, face }) => face === faceId && opened.includes(id))
      .map(({ id, xMm, yMm }) => ({ id, xMm, yMm, says: words.tied({ opening }) }));
  });
}
