import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import type { Model } from '@/core/procedure/model';
import type { Part } from '@/core/entities/entities';
import { conditioningOf } from '@/core/battery/conditioning';
import { completeFact } from './involved';
import { applyFact } from './applyFact';
import { makeFact } from './makeFact';
import { MemoryWorld } from './memoryWorld';

const modelNamed = (id: string) => shippedModels.find((model) => model.id === id) as Model;

/** The cell of a unit that was taken apart for it alone. */
function freed(modelId: string): { readonly bench: TestBench; readonly cell: () => Part } {
  const bench = new TestBench();
  const model = modelNamed(modelId);
  const wanted = model.parts.find(({ category }) => category === 'battery')?.id ?? '';
  bench.decided(model, 'donor');
  const begun = bench.act('sheet-started', 'u', { kind: 'teardown', targets: [wanted], keeping: 'tray' });
  if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  bench.finishSheet(model);
  return { bench, cell: () => bench.parts().find(({ category }) => category === 'battery') as Part };
}

describe('how a cell was freed', () => {
  test.each([
    ['oddkin-lantern-5', 'strip'],
    ['oddkin-wick', 'strip'],
    ['brinewell-mast-4', 'unfastened'],
    ['brinewell-reed-2', 'unfastened'],
    ['marrowby-sedge-8', undefined],
  ])('%s: %s', (modelId, way) => {
    expect(freed(modelId).cell().readings).toEqual(way ? { freed: way } : {});
  });

  test('the log tells it, and a log from before leaves it to be asked', () => {
    const bench = new TestBench();
    const lantern = modelNamed('oddkin-lantern-5');
    bench.decided(lantern, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    const stepId = 'out:strip';
    while (bench.unit().sheet?.doneStepIds.length !== (bench.unit().sheet?.stepIds ?? []).indexOf(stepId)) {
      bench.passes(600);
      bench.step(lantern);
    }
    const payload = {
      stepId,
      seconds: 5,
      freed: [{ partId: 'cell', partRef: 'battery', state: 'sound' as const }],
    };
    const made = makeFact(bench.world, { type: 'step-done', subjectId: 'u', payload }, { id: 'f', at: bench.now });
    const judged = made.ok && applyFact(bench.world, made.value);
    if (!made.ok || !judged || !judged.ok) throw new Error('not made');
    const kept = completeFact(made.value, { unitTags: [], partTags: ['P-1'], changes: judged.value, bits: [] });
    expect(kept.payload.freed[0]?.freedBy).toBe('strip');
    const past = new MemoryWorld(shippedModels, [rules], true);
    past.put('unit', bench.unit());
    const readingsIn = (fact: typeof kept) => {
      const replayed = applyFact(past, fact);
      if (!replayed.ok) throw new Error(JSON.stringify(replayed));
      return replayed.value.flatMap(({ kind, after }) => (kind === 'part' && after ? [after.readings] : []));
    };
    expect(readingsIn(kept)).toEqual([{ freed: 'strip' }]);
    expect(readingsIn(made.value as typeof kept)).toEqual([{}]);
  });
});

describe('a cell on its charger', () => {
  const given = { ratedAmpHours: 4, health: 0.9, filled: 0.3 };

  test('goes through the timeline that its figures give, once, until somebody takes it off', () => {
    const { bench, cell } = freed('oddkin-lantern-5');
    const { id, tag } = cell();
    expect(bench.act('cell-taken-off', id, {})).toEqual({ reason: 'cell-not-on', values: { tag } });
    expect(bench.act('cell-conditioned', id, given)).toBe('ok');
    expect(cell().conditioning).toEqual({
      beganAt: bench.now,
      steps: conditioningOf({ ratedAmpHours: 4 }, 0.9, 0.3),
    });
    expect(bench.act('cell-conditioned', id, given)).toEqual({ reason: 'cell-on-already', values: { tag } });
    expect(bench.act('cell-taken-off', id, {})).toBe('ok');
    expect(cell().conditioning).toBeUndefined();
  });

  test('is off it once it is graded, scrapped or put away', () => {
    const readings = {
      shape: 'flat',
      freed: 'strip',
      swellingMm: 0,
      capacityShare: 93,
      resistanceMilliOhm: 40,
      cycles: 100,
    };
    const { bench, cell } = freed('oddkin-lantern-5');
    const { id } = cell();
    const put = () => expect(bench.act('cell-conditioned', id, given)).toBe('ok');
    put();
    expect(bench.act('part-graded', id, { readings })).toBe('ok');
    expect(cell().conditioning).toBeUndefined();
    put();
    expect(bench.act('part-shelved', id, { bin: 'A01' })).toBe('ok');
    expect(cell().conditioning).toBeUndefined();
    put();
    expect(bench.act('cell-topped-up', id, { restVolt: 3.8 })).toBe('ok');
    put();
    expect(bench.act('part-scrapped', id, { because: 'test' })).toBe('ok');
    expect(cell().conditioning).toBeUndefined();
  });

  test('a display is on no charger', () => {
    const bench = new TestBench();
    const lantern = modelNamed('oddkin-lantern-5');
    bench.decided(lantern, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['display'], keeping: 'tray' });
    bench.finishSheet(lantern);
    const display = bench.parts().find(({ category }) => category === 'display') as Part;
    expect(bench.act('cell-conditioned', display.id, given)).toMatchObject({ reason: 'no-cell' });
  });
});
