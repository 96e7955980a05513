import { bestReadings } from '../../../tests/support/bestReadings';
import { TestBench } from '../../../tests/support/bench';
import { phone } from '../../../tests/support/models';
import type { Part } from '@/core/entities/entities';
import { partPlaces } from '@/core/entities/stages';

const papers = {
  code: 'Ferry lot',
  supplier: 'Northreach',
  pricePaidCents: 86_000,
  transportCents: 4_000,
  receivedOn: '2026-11-20',
};
const line = (lineNo: number) => ({ lineNo, maker: 'Oddkin', model: 'Wick', serial: '', note: '' });

describe('a parcel’s papers are put right', () => {
  const bench = () => {
    const made = new TestBench();
    made.act('parcel-made', 'p', papers);
    made.act('parcel-made', 'q', { ...papers, code: 'Other lot' });
    return made;
  };

  test('what was read wrong is read anew, what was done with it stays', () => {
    const shop = bench();
    shop.act('lines-expected', 'p', { fileName: 'a.csv', lines: [line(1), line(2)] });
    shop.act('cost-spread', 'p', { rule: 'by-value' });
    shop.act('unit-tagged', 'u', { parcelId: 'p', lineNo: 1 });
    const right = { ...papers, supplier: 'Saltreach', pricePaidCents: 68_000 };
    expect(shop.act('parcel-corrected', 'p', right)).toBe('ok');
    expect(shop.world.find('parcel', 'p')).toMatchObject({ ...right, lineCount: 2, costRule: 'by-value' });
  });

  test('its own name may stay; another’s is refused, and nothing changes', () => {
    const shop = bench();
    expect(shop.act('parcel-corrected', 'p', { ...papers, transportCents: 1 })).toBe('ok');
    expect(shop.act('parcel-corrected', 'p', { ...papers, code: 'Other lot' })).toEqual({
      reason: 'code-taken',
      values: { code: 'Other lot' },
    });
    expect(shop.world.find('parcel', 'p')?.code).toBe('Ferry lot');
  });

  test('an empty one is deleted with its list, and its name is free; not while a unit was tagged', () => {
    const shop = bench();
    shop.act('lines-expected', 'p', { fileName: 'a.csv', lines: [line(1), line(2)] });
    shop.act('lines-expected', 'q', { fileName: 'b.csv', lines: [line(1)] });
    shop.act('unit-tagged', 'u', { parcelId: 'p', lineNo: null }, { id: 'tagged' });
    expect(shop.act('parcel-removed', 'p', {})).toEqual({
      reason: 'not-empty',
      values: { code: 'Ferry lot', count: 1 },
    });
    shop.act('undone', 'u', { factId: 'tagged' });
    expect(shop.act('parcel-removed', 'p', {})).toBe('ok');
    expect(shop.world.find('parcel', 'p')).toBeUndefined();
    expect([...shop.world.tables.line.keys()]).toEqual(['q/1']);
    expect(shop.act('parcel-made', 'r', papers)).toBe('ok');
  });
});

describe('a unit goes back to Triage', () => {
  const decided = (disposition: 'donor' | 'build' | 'recycle' | 'as-is') => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('test-noted', 'u', { test: 'starts', result: 'sound' });
    bench.act('unit-decided', 'u', { disposition, proposed: 'build', apartPlace: null });
    return bench;
  };

  test.each(['donor', 'build', 'recycle', 'as-is'] as const)('decided as %s, it is decided anew', (disposition) => {
    const bench = decided(disposition);
    expect(bench.act('unit-recalled', 'u', { because: 'looked again' })).toBe('ok');
    expect(bench.unit()).toMatchObject({ stage: 'triage', disposition: null, tests: { starts: 'sound' } });
    const other = {
      modelId: phone.id,
      modelVersion: phone.version,
      revision: 'a',
      configuration: 'standard',
      serial: 'NEW',
    };
    expect(bench.act('unit-identified', 'u', { ...other, variant: phone.variants[0]?.id ?? '' })).toBe('ok');
    expect(bench.act('unit-decided', 'u', { disposition: 'donor', proposed: 'build', apartPlace: null })).toBe('ok');
  });

  test('a sheet that was opened and not begun goes with it; one that was begun stays', () => {
    const bench = decided('donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    expect(bench.act('unit-recalled', 'u', { because: 'not a donor' })).toBe('ok');
    expect(bench.unit().sheet).toBeNull();

    const begun = decided('donor');
    begun.act('wipe-recorded', 'u', { method: 'device-erase' });
    begun.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    const { sheet } = begun.unit();
    if (!sheet) throw new Error('no sheet');
    begun.world.put('unit', { ...begun.unit(), sheet: { ...sheet, doneStepIds: ['out:off'] } });
    expect(begun.act('unit-recalled', 'u', { because: 'too late' })).toEqual({
      reason: 'has-begun',
      values: { tag: begun.unit().tag, what: 'sheet' },
    });
  });

  test('not while parts are set aside for it, or in it', () => {
    const bench = decided('build');
    bench.world.put('unit', { ...bench.unit(), assigned: { display: 'part' } });
    expect(bench.act('unit-recalled', 'u', { because: 'x' })).toMatchObject({ values: { what: 'assigned' } });
    bench.world.put('unit', { ...bench.unit(), assigned: {}, fitted: { display: 'part' } });
    expect(bench.act('unit-recalled', 'u', { because: 'x' })).toMatchObject({ values: { what: 'fitted' } });
  });

  test('a release that was withdrawn is proven anew, with the tests it passed', () => {
    const bench = decided('as-is');
    bench.world.put('unit', { ...bench.unit(), stage: 'send', saleGrade: 'B', proof: { starts: 'sound' } });
    expect(bench.act('release-withdrawn', 'u', {})).toBe('ok');
    expect(bench.unit()).toMatchObject({ stage: 'prove', saleGrade: null, proof: { starts: 'sound' } });
  });
});

describe('a part is graded again where it lies', () => {
  const graded = (place: Part['place'], capacityShare: number) => {
    const bench = new TestBench();
    const part = { id: 'part', tag: 'P-1', category: 'battery', place, bin: 'A03', version: 1, findings: [] };
    bench.world.put('part', part as unknown as Part);
    const readings = { ...bestReadings({ category: 'battery' }), capacityShare };
    return { outcome: bench.act('part-graded', 'part', { readings }), part: bench.world.find('part', 'part') as Part };
  };

  test('on the shelf it stays in its bin; as scrap it leaves it', () => {
    expect(graded('shelf', 99).part).toMatchObject({ place: 'shelf', bin: 'A03' });
    expect(graded('shelf', 20).part).toMatchObject({ place: 'scrap', bin: null, grade: 'X' });
  });

  test('what was scrapped by mistake is to be put away again', () => {
    expect(graded('scrap', 99).part).toMatchObject({ place: 'to-shelve', bin: null });
  });

  test('not what is set aside, fitted, or dangerous', () => {
    for (const place of partPlaces)
      if (['assigned', 'fitted', 'hazard'].includes(place))
        expect(graded(place, 99).outcome).toMatchObject({ reason: 'wrong-stage' });
  });
});
