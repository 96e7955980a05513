import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { say } from '@/words/catalogue/core/heat';
import { seamStretches } from './seamStretches';

describe('the stretches of the seam', () => {
  test.each(
    shippedModels.flatMap((model) =>
      model.operations.flatMap((operation) =>
        operation.heat ? [[`${model.name}, ${operation.id}`, model, operation] as const] : [],
      ),
    ),
  )(
    '%s: all that is cut after it, no zone where no tool goes, and its minutes are shared out',
    (_, model, operation) => {
      const stretches = seamStretches(model, operation);
      const cut = model.operations.find(
        ({ seam, after }) => seam !== undefined && after.some(({ any }) => any.includes(operation.id)),
      );
      expect(stretches).toHaveLength((cut?.seam ?? []).filter(({ isForbidden }) => !isForbidden).length);
      const shared = stretches.reduce((sum, { workSeconds }) => sum + workSeconds, 0);
      if (cut) expect(Math.abs(shared - cut.minutes.likely * 60)).toBeLessThan(stretches.length);
      for (const { warm } of stretches) expect(say(warm)).not.toBe('');
    },
  );

  test('a stretch is called after the edge it is nearest to', () => {
    const lid = shippedModels.find(({ id }) => id === 'marrowby-twofold-quay') as Model;
    const warm = lid.operations.find(({ id }) => id === 'lid-warm') as Operation;
    expect(seamStretches(lid, warm).map((stretch) => say(stretch.warm))).toEqual([
      'lower edge',
      'right edge',
      'upper edge',
    ]);
  });
});
