import { TestBench, sparePart } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import { boundPartner } from '@/core/procedure/boundPartner';
import { getModelPart, type Model } from '@/core/procedure/model';

const modelNamed = (id: string) => shippedModels.find((model) => model.id === id) as Model;
const lantern = modelNamed('oddkin-lantern-5');
const wick = modelNamed('oddkin-wick');

/** A donor whose battery is promised, and that is taken apart for it. */
function promised(): TestBench {
  const bench = new TestBench();
  bench.decided(lantern, 'donor');
  expect(bench.act('parts-promised', 'u', { parts: [{ part: 'battery', for: 'U-00012' }] })).toBe('ok');
  const begun = bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
  if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  bench.finishSheet(lantern);
  return bench;
}
const cell = (bench: TestBench) => bench.parts().find(({ category }) => category === 'battery');

describe('a part of a donor that was promised', () => {
  test('is kept for that unit from the moment it is out, lies reserved once it is put away, and for nobody as scrap', () => {
    const bench = promised();
    const out = cell(bench);
    expect(out).toMatchObject({ place: 'grade', reservedFor: 'U-00012' });
    bench.world.put('part', { ...(out as NonNullable<typeof out>), place: 'to-shelve', grade: 'B' });
    expect(bench.act('part-shelved', out?.id ?? '', { bin: 'A01' })).toBe('ok');
    expect(cell(bench)).toMatchObject({ place: 'reserved', reservedFor: 'U-00012', bin: 'A01' });
    expect(bench.act('part-scrapped', out?.id ?? '', { because: 'fell' })).toBe('ok');
    expect(cell(bench)?.reservedFor).toBeUndefined();
  });

  test('a later promise takes the place of the one before; a donor that goes back to Triage promises nothing', () => {
    const bench = new TestBench();
    bench.decided(lantern, 'donor');
    bench.act('parts-promised', 'u', { parts: [{ part: 'battery', for: 'U-00012' }] });
    bench.act('parts-promised', 'u', { parts: [{ part: 'display', for: 'U-00013' }] });
    expect(bench.unit().promised).toEqual({ display: 'U-00013' });
    expect(bench.act('parts-promised', 'u', { parts: [{ part: 'no-such', for: 'U-00013' }] })).toMatchObject({
      reason: 'not-found',
    });
    expect(bench.act('unit-recalled', 'u', { because: 'the plan' })).toBe('ok');
    expect(bench.unit().promised).toEqual({});
  });
});

describe('parts that are bound to each other', () => {
  const [one = ''] = wick.parts.flatMap(({ id }) => (boundPartner(wick, id) === null ? [] : [id]));
  const other = boundPartner(wick, one) as string;

  function build(): TestBench {
    const bench = new TestBench();
    bench.decided(wick, 'build');
    for (const origin of ['d1', 'd2'])
      for (const slot of [one, other]) {
        const id = `${slot}-${origin}`;
        bench.world.put('part', { ...sparePart(wick, getModelPart(wick, slot), id), tag: id, unitId: origin });
      }
    return bench;
  }

  test('go in together, out of one unit, or not at all', () => {
    const bench = build();
    expect(bench.act('part-assigned', 'u', { slot: one, partId: `${one}-d1` })).toBe('ok');
    expect(bench.act('unit-matched', 'u', {})).toMatchObject({ reason: 'bound-alone' });
    expect(bench.act('part-assigned', 'u', { slot: other, partId: `${other}-d2` })).toEqual({
      reason: 'bound-elsewhere',
      values: { tag: `${other}-d2`, other: `${one}-d1` },
    });
    expect(bench.act('part-assigned', 'u', { slot: other, partId: `${other}-d1` })).toBe('ok');
    expect(bench.act('unit-matched', 'u', {})).toBe('ok');
  });
});
