import { bestReadings } from '../../../tests/support/bestReadings';
import { TestBench } from '../../../tests/support/bench';
import { handset } from '../../../tests/support/models';
import { applyFact } from './applyFact';
import type { Fact } from './facts';
import { completeFact, involved, tagsNeeded } from './involved';

const fact = <T extends Fact['type']>(type: T, payload: Fact<T>['payload']): Fact<T> => ({
  id: 'e',
  type,
  subjectId: 'u',
  expects: 1,
  at: '2026-11-25T08:00:00Z',
  payload,
});

describe('involved', () => {
  test('names the subject and whatever else a fact looks at', () => {
    expect(involved(fact('test-noted', { test: 'starts', result: 'sound' })).keys).toEqual([{ kind: 'unit', id: 'u' }]);
    expect(involved(fact('part-assigned', { slot: 'display', partId: 'p' })).keys).toEqual([
      { kind: 'unit', id: 'u' },
      { kind: 'part', id: 'p' },
    ]);
    expect(involved(fact('unit-tagged', { parcelId: 'l', lineNo: 7 }))).toEqual({
      keys: [
        { kind: 'unit', id: 'u' },
        { kind: 'parcel', id: 'l' },
        { kind: 'line', id: 'l/7' },
      ],
      line: { parcelId: 'l', lineNo: 7 },
    });
    expect(involved(fact('undone', { factId: 'f' }))).toEqual({ keys: [], undoes: 'f' });
  });
});

describe('what the server writes into a fact', () => {
  const freed = [
    { partId: 'a', partRef: 'door', state: 'sound' },
    { partId: 'b', partRef: 'battery', state: 'missing' },
    { partId: 'c', partRef: 'front', state: 'broken-by-us' },
  ] as const;

  test('tags for parts that exist, in order; what is missing gets none', () => {
    const given = fact('step-done', { stepId: 'out:x', seconds: 1, freed });
    expect(tagsNeeded(given)).toEqual({ unit: 0, part: 2 });
    const { payload } = completeFact(given, {
      unitTags: [],
      partTags: ['P-1', 'P-2'],
      changes: [],
      bits: [],
    }) as Fact<'step-done'>;
    expect(payload.freed.map(({ tag }) => tag)).toEqual(['P-1', undefined, 'P-2']);
  });

  test('the verdict on a part, which a replay then takes as it stands', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['door'], keeping: 'tray' });
    bench.finishSheet(handset);
    const [part] = bench.parts();
    if (!part) throw new Error('the door is a part');
    const given: Fact<'part-graded'> = {
      ...fact('part-graded', { readings: { ...bestReadings(part), wear: 'marked' } }),
      subjectId: part.id,
    };
    const judged = applyFact(bench.world, given);
    if (!judged.ok) throw new Error('it can be graded');
    const logged = completeFact(given, {
      unitTags: [],
      partTags: [],
      changes: judged.value,
      bits: [],
    }) as Fact<'part-graded'>;
    expect(logged.payload.verdict).toEqual({ grade: 'C', limiting: 'wear' });
    // Under other rules the readings might give another grade; the log's verdict stays.
    const older = {
      ...logged,
      payload: { ...logged.payload, verdict: { grade: 'D', limiting: 'wear' } },
    } as const;
    const replayed = applyFact(bench.world, older);
    expect(replayed.ok && replayed.value[0]?.after).toMatchObject({ grade: 'D' });
  });

  test('a fact that needs nothing goes into the log as it came', () => {
    const given = fact('unit-matched', {});
    expect(completeFact(given, { unitTags: [], partTags: [], changes: [], bits: [] })).toBe(given);
    expect(tagsNeeded(given)).toEqual({ unit: 0, part: 0 });
  });
});
