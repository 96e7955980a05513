import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { testPaths } from '@/core/procedure/testPaths';
import { readStepId, type SheetStep } from '@/core/teardown/sheet/sheetStep';
import { rechecks } from './recheck';
import { sheetOf } from './sheetOf';
import { nextStep } from './sheetSteps';

function now(bench: TestBench, model: Model) {
  const unit = bench.unit();
  const planned = unit.sheet && sheetOf(model, unit, unit.sheet);
  if (!planned?.ok || !unit.sheet) throw new Error('no sheet');
  const step = nextStep(planned.value.steps, unit.sheet) as SheetStep | undefined;
  return { state: unit.sheet, steps: planned.value.steps, step };
}

/** Goes on until a gate with tests is before the hand. */
function toGate(bench: TestBench, model: Model): SheetStep {
  for (;;) {
    const { step } = now(bench, model);
    if (!step) throw new Error('no gate came');
    if (step.leg === 'gate' && step.tests.length > 0) return step;
    bench.passes(3600);
    expect(bench.step(model)).toBe('ok');
  }
}

test.each(shippedModels.map((model) => [model.name, model] as const))(
  '%s: a gate that is not passed leads back to what its tests run through, and comes again after it',
  (_, model) => {
    const slots = model.parts.filter(({ slot }) => slot !== undefined).map(({ id }) => id);
    const configured = slots.filter((id) => !model.configurations[0]?.absentParts.includes(id));
    const bench = new TestBench();
    bench.decided(model, 'build');
    bench.rebuilding(model, configured);
    const gate = toGate(bench, model);
    const { state, steps } = now(bench, model);
    const offered = rechecks(model, steps, state.doneStepIds, gate);
    expect(offered.length).toBeGreaterThan(0);
    // Cheapest first, each for something that a test of this gate runs through.
    expect(offered.map(({ minutes }) => minutes)).toEqual(
      [...offered.map(({ minutes }) => minutes)].sort((a, b) => a - b),
    );
    const path = new Set(
      gate.tests.flatMap((test) => [
        ...(testPaths(model).get(test)?.joints ?? []),
        ...(testPaths(model).get(test)?.parts ?? []),
      ]),
    );
    for (const { things } of offered) for (const thing of things) expect(path).toContain(thing);

    const [first] = offered as [(typeof offered)[number]];
    const done = state.doneStepIds;
    expect(bench.act('gate-judged', 'u', { stepId: gate.id, hasPassed: false, redo: first.operationId })).toBe('ok');
    const again = now(bench, model);
    // Nothing that is done is asked again but what stands in the way of it.
    expect(again.state.doneStepIds).toEqual(done);
    const outAgain = again.steps
      .filter(({ id, leg }) => leg === 'out' && !done.includes(id))
      .map(({ id }) => readStepId(id).id);
    expect(outAgain).toContain(first.operationId);
    for (const id of outAgain) expect([...first.reach, first.operationId]).toContain(id);
    // The gate comes again, after it is back in.
    const next = toGate(bench, model);
    expect(next.tests).toEqual(expect.arrayContaining(gate.tests.filter((test) => next.tests.includes(test))));
    expect(
      now(bench, model)
        .state.doneStepIds.map(readStepId)
        .filter(({ id }) => id === first.operationId),
    ).toHaveLength(4);
    bench.finishSheet(model);
    expect(bench.unit().stage).toBe('prove');
  },
);

test('what the gate does not run through is not gone back to', () => {
  const model = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;
  const bench = new TestBench();
  bench.decided(model, 'build');
  bench.rebuilding(model, ['display']);
  const gate = toGate(bench, model);
  const { state } = now(bench, model);
  expect(bench.act('gate-judged', 'u', { stepId: gate.id, hasPassed: false, redo: 'door' })).toMatchObject({
    reason: 'bad-input',
  });
  // Noted only, the sheet stays where it is.
  expect(bench.act('gate-judged', 'u', { stepId: gate.id, hasPassed: false })).toBe('ok');
  expect(now(bench, model)).toMatchObject({ state: { doneStepIds: state.doneStepIds }, step: { id: gate.id } });
});
