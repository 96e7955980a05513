import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import { sheetOf } from './sheetOf';
import { nextStep, partsToTag } from './sheetSteps';
import { wantedParts } from './wantedParts';
import type { Model } from '@/core/procedure/model';

/** The sheet as it stands, its next step, and what is wanted there. */
function now(bench: TestBench, model: Model) {
  const unit = bench.unit();
  if (!unit.sheet) throw new Error('no sheet');
  const planned = sheetOf(model, unit, unit.sheet);
  const step = planned.ok ? nextStep(planned.value.steps, unit.sheet) : undefined;
  if (!planned.ok || !step) throw new Error('no step');
  return { sheet: unit.sheet, step, wanted: wantedParts(model, planned.value, unit.sheet, step) };
}

test.each(shippedModels.map((model) => [model.name, model] as const))(
  '%s: what was had and what is still wanted are the targets, and the parts of the step come first',
  (_, model) => {
    const targets = model.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id);
    const bench = new TestBench();
    bench.decided(model, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' });
    const freed = new Set<string>();
    while (bench.unit().sheet?.isClosed === false) {
      const { sheet, step, wanted } = now(bench, model);
      const { had, still, inReach } = wanted;
      expect([...had].sort()).toEqual([...freed].sort());
      expect(still).toEqual(targets.filter((id) => !freed.has(id)));
      const own = partsToTag(model, sheet, step).map(({ id }) => id);
      const ids = inReach.map(({ id }) => id);
      expect(ids.slice(0, own.length)).toEqual(own);
      expect(new Set(ids)).toEqual(new Set([...own, ...still]));
      expect(ids).toHaveLength(new Set(ids).size);
      step.frees.forEach((id) => freed.add(id));
      bench.passes(3600);
      expect(bench.step(model)).toBe('ok');
    }
    expect(targets.every((id) => freed.has(id))).toBe(true);
  },
);

test('on the way back nothing is freed, so nothing can be the matter with a part of it', () => {
  const model = shippedModels[0];
  if (!model) throw new Error('no model');
  const bench = new TestBench();
  bench.decided(model, 'build');
  bench.rebuilding(
    model,
    model.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id),
  );
  let backSteps = 0;
  while (bench.unit().sheet?.isClosed === false) {
    const { step, wanted } = now(bench, model);
    if (step.leg !== 'out') {
      backSteps += 1;
      expect(wanted.inReach).toEqual([]);
    }
    bench.passes(3600);
    expect(bench.step(model)).toBe('ok');
  }
  expect(backSteps).toBeGreaterThan(0);
});
