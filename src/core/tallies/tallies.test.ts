import fc from 'fast-check';
import type { Fact } from '@/core/shop/facts';
import { tallyChange, tallyKey, TallySheet, type Tally, type TallyKind } from './tally';
import { countedOf } from './countedOf';
import { talliesOf, type TalliedFact, type TallyGround } from './talliesOf';

const fact = <T extends TalliedFact['type']>(type: T, payload: Fact<T>['payload']): TalliedFact =>
  ({ type, payload, subjectId: 'p', at: '2026-11-25T08:00:00.000Z', modelId: 'quay' }) as unknown as TalliedFact;
const unit: TallyGround['unit'] = {
  parcelId: 'lot',
  lineNo: 3,
  modelId: 'quay',
  stage: 'spent',
  disposition: 'donor',
  tests: { starts: 'sound', touch: 'fault', sound: 'not-tested' },
  marks: [
    { kind: 'dent', face: 'front', field: 1, depthMm: 1 },
    { kind: 'dent', face: 'back', field: 2, depthMm: 1 },
  ] as never,
};
const ground = (given: Partial<TallyGround>): TallyGround => ({
  unit,
  parts: [],
  facts: [],
  classOf: (id) => `class of ${id}`,
  ...given,
});
const found = (of: TallyGround, kind: TallyKind) =>
  Object.fromEntries(
    talliesOf(of)
      .filter((tally) => tally.kind === kind)
      .map(({ about, more, count, good }) => [more === '' ? about : `${about} ${more}`, [count, good]]),
  );
const donor = fact('unit-decided', { disposition: 'donor' } as Fact<'unit-decided'>['payload']);
const done = (stepId: string, freed: Fact<'step-done'>['payload']['freed'] = []) =>
  fact('step-done', { stepId, seconds: 30, freed });

test('of what is kept of facts the same is counted as of the facts themselves', () => {
  const id = fc.constantFrom('lid', 'fan', 'cell');
  const step = fc.constantFrom('out:lid', 'in:lid', 'out:fan', 'wait:1');
  const freed = fc.array(
    fc.record({
      partId: id,
      partRef: id,
      state: fc.constantFrom('sound', 'missing', 'broken-by-us'),
      note: fc.string(),
    }),
    { maxLength: 2 },
  );
  const any = fc.oneof(
    fc
      .record({ disposition: fc.constantFrom('donor', 'build'), weighed: fc.constant([]) })
      .map((own) => ['unit-decided', own]),
    fc.record({ stepId: step, seconds: fc.nat(), freed }).map((own) => ['step-done', own]),
    fc.record({ stepId: step, rung: fc.nat(3), isHandedOver: fc.boolean() }).map((own) => ['step-resisted', own]),
    fc
      .record({
        partRef: id,
        state: fc.constantFrom('suspect', 'missing'),
        defectCode: fc.constantFrom(null, 'flex-torn'),
      })
      .map((own) => ['part-trouble', own]),
    fc.record({ slot: id, partId: id }).map((own) => ['part-assigned', own]),
    fc.record({ bin: fc.string() }).map((own) => ['part-shelved', own]),
    fc.record({ because: fc.string() }).map((own) => ['part-scrapped', own]),
    fc.record({ shipment: id, recipient: id, priceCents: fc.nat() }).map((own) => ['unit-sent', own]),
  );
  fc.assert(
    fc.property(fc.array(any, { maxLength: 12 }), (given) => {
      const facts = given.map(([type, payload]) => fact(type as 'step-done', payload as never));
      const kept = facts.flatMap((own) => countedOf(own) ?? []);
      const parts = ['lid', 'fan'].map((ref, at) => ({
        ...{ id: ref, partRef: ref, modelId: 'quay', category: 'housing' as const, interchange: 'c' },
        ...{ place: 'shelf' as const, bin: null, grade: at === 0 ? ('B' as const) : ('X' as const) },
      }));
      expect(talliesOf(ground({ parts, facts: kept }))).toEqual(talliesOf(ground({ parts, facts })));
    }),
  );
});

describe('talliesOf', () => {
  test('a unit counts once by stage, once by parcel, and once for each quick test that says something', () => {
    expect(found(ground({}), 'stage')).toEqual({ spent: [1, 0] });
    expect(found(ground({}), 'lined')).toEqual({ '': [1, 0] });
    expect(found(ground({}), 'tested')).toEqual({ starts: [1, 1], touch: [1, 0] });
    expect(found(ground({}), 'look-found')).toEqual({ dent: [1, 0] });
    expect(found(ground({ unit: { ...unit, disposition: null } }), 'look-found')).toEqual({});
  });

  test('parts of a donor are sought when their fate is known: graded, broken, or lost on the way', () => {
    const freed = (partRef: string, state: 'sound' | 'broken-by-us') => ({ partId: partRef, partRef, state });
    const part = {
      modelId: 'quay',
      category: 'housing' as const,
      interchange: 'c',
      place: 'shelf' as const,
      bin: null,
    };
    const of = ground({
      parts: [
        { ...part, id: 'lid', partRef: 'lid', grade: 'B' },
        { ...part, id: 'fan', partRef: 'fan', grade: 'X' },
        { ...part, id: 'cell', partRef: 'cell', grade: null },
      ],
      facts: [
        donor,
        done('out:lid', [freed('lid', 'sound'), freed('fan', 'sound'), freed('cell', 'sound')]),
        done('out:board', [freed('board', 'broken-by-us')]),
        fact('part-trouble', { stepId: 's', partRef: 'flex', state: 'broken-by-us', defectCode: 'flex-torn' }),
        fact('part-trouble', { stepId: 's', partRef: 'flex', state: 'missing', defectCode: null }),
        fact('part-trouble', { stepId: 's', partRef: 'lid', state: 'missing', defectCode: null }),
        fact('part-trouble', { stepId: 's', partRef: 'shield', state: 'suspect', defectCode: null }),
      ],
    });
    const fates = { lid: [1, 1], fan: [1, 0], board: [1, 0], flex: [1, 0] };
    expect(found(of, 'sought')).toEqual({
      ...fates,
      ...Object.fromEntries(Object.entries(fates).map(([name, counts]) => [`${name} dent`, counts])),
    });
    expect(found(of, 'defect')).toEqual({ 'flex-torn flex': [1, 0] });
    // Of a build no harvest is counted.
    expect(found({ ...of, facts: of.facts.slice(1) }, 'sought')).toEqual({});
  });

  test('a step ends where it was tried last; what other hands opened did not yield to that', () => {
    const resisted = (stepId: string, rung: number, isHandedOver?: true) =>
      fact('step-resisted', { stepId, rung, seconds: 9, ...(isHandedOver && { isHandedOver }) });
    const of = ground({
      facts: [
        done('out:a'),
        resisted('out:b', 1),
        resisted('out:b', 2),
        done('out:b'),
        resisted('out:c', 1),
        resisted('out:d', 1),
        resisted('out:d', 1, true),
        done('out:d'),
        done('back:a'),
      ],
    });
    expect(found(of, 'resisted')).toEqual({
      'out:a 0': [1, 1],
      'out:b 2': [1, 1],
      'out:c 1': [1, 0],
      'out:d 1': [1, 0],
    });
  });

  test('parts that were set aside count for their class, by the day of the bench', () => {
    const of = ground({ facts: [fact('part-assigned', { slot: 'lid', partId: 'p1' })] });
    expect(found(of, 'used')).toEqual({ 'class of p1 2026-11-25': [1, 0] });
    expect(found({ ...of, classOf: () => undefined }, 'used')).toEqual({});
  });
});

test('what lay on the shelf and was scrapped left it; what was scrapped before did not', () => {
  const scrapped = fact('part-scrapped', {} as Fact<'part-scrapped'>['payload']);
  const shelved = fact('part-shelved', { bin: 'A01' });
  const days = { '2026-11-25': [1, 0] };
  expect(found(ground({ facts: [shelved, scrapped] }), 'shelved')).toEqual(days);
  expect(found(ground({ facts: [shelved, scrapped] }), 'unshelved')).toEqual(days);
  expect(found(ground({ facts: [scrapped, shelved] }), 'unshelved')).toEqual({});
});

test('a unit that was sent counts for its shipment, with when and to whom', () => {
  const of = ground({ facts: [fact('unit-sent', { shipment: 'S-0012', recipient: 'Fern & Bell' })] });
  expect(found(of, 'sent')).toEqual({ 'S-0012 2026-11-25T08:00 Fern & Bell': [1, 0] });
});

describe('tallyChange', () => {
  const row = fc.record({
    kind: fc.constantFrom<TallyKind>('stage', 'bin'),
    modelId: fc.constantFrom('', 'quay'),
    parcelId: fc.constant(''),
    about: fc.constantFrom('a', 'b', 'c'),
    more: fc.constantFrom('', 'x'),
    count: fc.integer({ min: 0, max: 4 }),
    good: fc.integer({ min: 0, max: 2 }),
  });
  const summed = (rows: readonly Tally[]) => {
    const sheet = new TallySheet();
    for (const { count, good, ...of } of rows) sheet.add(of, good, count);
    return sheet.list();
  };

  test('what was counted before and the change are what is counted now', () => {
    fc.assert(
      fc.property(fc.array(row), fc.array(row), (before, after) => {
        expect(summed([...before, ...tallyChange(before, after)])).toEqual(summed(after));
        expect(tallyChange(after, after)).toEqual([]);
      }),
    );
  });

  test('keys are told apart by every column', () => {
    fc.assert(
      fc.property(row, row, (a, b) => {
        const { count: _, good: __, ...one } = a;
        const { count: ___, good: ____, ...other } = b;
        expect(tallyKey(one) === tallyKey(other)).toBe(JSON.stringify(one) === JSON.stringify(other));
      }),
    );
  });
});
