import { TestBench } from '../../../tests/support/bench';
import { phone } from '../../../tests/support/models';
import { rightPayloads, type PostedFactType } from '../../../tests/support/rightPayloads';
import { partPlaces, unitStages, type PartPlace, type UnitStage } from '@/core/entities/stages';
import type { Part } from '@/core/entities/entities';
import { definitions, factTypes } from './facts';

const types = Object.keys(rightPayloads) as PostedFactType[];
const about = (kind: string) => types.filter((type) => definitions[type].subject === kind);

/** Where a unit must be for each fact about it: told a second time. What is not here may be said at any stage. */
const atBench: readonly UnitStage[] = ['teardown', 'rebuild'];
const stagesOf: Readonly<Partial<Record<PostedFactType, readonly UnitStage[]>>> = {
  'unit-identified': ['triage'],
  'mark-placed': ['triage'],
  'photo-taken': ['triage', 'kept-apart', 'teardown', 'rebuild', 'prove'],
  'test-noted': ['triage'],
  'unit-decided': ['triage'],
  'wipe-recorded': ['triage', 'teardown', 'match', 'rebuild', 'prove'],
  'unit-set-apart': ['teardown', 'rebuild', 'prove'],
  'unit-let-go': ['kept-apart'],
  // The one of its payload is a teardown.
  'sheet-started': ['teardown'],
  'sheet-replanned': atBench,
  'hazard-cleared': atBench,
  'sheet-closed': ['teardown'],
  'step-resisted': atBench,
  'step-done': atBench,
  'step-skipped': atBench,
  'wait-begun': atBench,
  'part-trouble': atBench,
  'screw-trouble': atBench,
  'bit-renewed': atBench,
  'torque-read': atBench,
  'reuse-judged': atBench,
  'gate-judged': atBench,
  'part-assigned': ['match'],
  'part-released': ['match'],
  'parts-promised': ['teardown'],
  'unit-matched': ['match'],
  'proof-noted': ['prove'],
  'unit-proven': ['prove'],
  'unit-reworked': ['prove'],
  'unit-sent': ['send'],
  'unit-recalled': ['teardown', 'match', 'rebuild', 'prove', 'send', 'recycled'],
  'release-withdrawn': ['send'],
};
const placesOf: Readonly<Partial<Record<PostedFactType, readonly PartPlace[]>>> = {
  'part-graded': ['grade', 'to-shelve', 'shelf', 'reserved', 'scrap'],
  'part-looked-again': ['to-shelve', 'shelf', 'reserved'],
  'part-shelved': ['to-shelve', 'shelf', 'reserved', 'lost'],
  'part-reserved': ['shelf', 'reserved'],
  'part-unreserved': ['reserved'],
  'part-picked': ['assigned'],
  'part-missed': ['to-shelve', 'shelf', 'reserved'],
  'cell-topped-up': ['shelf', 'reserved'],
  'cell-conditioned': ['grade', 'to-shelve', 'shelf', 'reserved'],
  'cell-taken-off': ['grade', 'to-shelve', 'shelf', 'reserved'],
  'part-handed-over': ['scrap', 'hazard'],
  'part-scrapped': ['grade', 'to-shelve', 'shelf', 'reserved', 'lost'],
};

describe('a fact is refused wherever it has no business', () => {
  test('every fact about a unit or a part is in one of the tables, or may be said anywhere', () => {
    expect(about('unit').filter((type) => !stagesOf[type])).toEqual(['unit-tagged', 'note-written']);
    expect(about('part').filter((type) => !placesOf[type])).toEqual(['part-bought']);
  });

  test.each(Object.entries(stagesOf) as [PostedFactType, readonly UnitStage[]][])('%s', (type, stages) => {
    for (const stage of unitStages) {
      const bench = new TestBench();
      bench.identified(phone);
      bench.world.put('unit', { ...bench.unit(), stage });
      const outcome = bench.act(type, 'u', rightPayloads[type] as never);
      const isElsewhere = outcome !== 'ok' && outcome.reason === 'wrong-stage';
      expect([stage, isElsewhere]).toEqual([stage, !stages.includes(stage)]);
      if (isElsewhere) expect(outcome.values).toEqual({ tag: 'T-u', stage });
    }
  });

  test.each(Object.entries(placesOf) as [PostedFactType, readonly PartPlace[]][])('%s', (type, places) => {
    for (const place of partPlaces) {
      const bench = new TestBench();
      const part = {
        id: 'part',
        tag: 'P-0001',
        category: 'battery',
        place,
        version: 1,
        findings: [],
      } as unknown as Part;
      bench.world.put('part', part);
      const outcome = bench.act(type, 'part', rightPayloads[type] as never);
      const isElsewhere = outcome !== 'ok' && outcome.reason === 'wrong-stage';
      expect([place, isElsewhere]).toEqual([place, !places.includes(place)]);
      if (isElsewhere) expect(outcome.values).toEqual({ tag: 'P-0001', stage: place });
    }
  });

  test('about a thing that is not there, it says which', () => {
    for (const type of types.filter((type) => definitions[type].subject !== null && !definitions[type].makesSubject))
      expect([type, new TestBench().act(type, 'nobody', rightPayloads[type] as never, { expects: 1 })]).toEqual([
        type,
        { reason: 'not-found', values: { id: 'nobody' } },
      ]);
  });
});

describe('who may say what, told a second time', () => {
  test('leads alone clear a hazard and let go what was kept apart; everything else is the bench’s', () => {
    expect(factTypes.filter((type) => definitions[type].saidBy === 'lead').sort()).toEqual([
      'hazard-cleared',
      'unit-let-go',
    ]);
    expect(new Set(factTypes.map((type) => definitions[type].saidBy))).toEqual(new Set(['lead', 'technician']));
  });

  test('a browser posts everything but the list, which the server reads from its file', () => {
    expect(factTypes.filter((type) => !definitions[type].isPosted)).toEqual(['lines-expected']);
  });

  test('what a fact is about, and which make it', () => {
    const of = (kind: string | null) => factTypes.filter((type) => definitions[type].subject === kind).sort();
    expect(of('parcel')).toEqual([
      'cost-spread',
      'lines-expected',
      'parcel-corrected',
      'parcel-counted',
      'parcel-made',
      'parcel-removed',
    ]);
    expect(of('unit')).toEqual([...Object.keys(stagesOf), 'unit-tagged', 'note-written'].sort());
    expect(of('part')).toEqual([...Object.keys(placesOf), 'part-bought'].sort());
    expect(of(null)).toEqual(['undone']);
    expect(factTypes.filter((type) => definitions[type].makesSubject).sort()).toEqual([
      ...['parcel-made', 'part-bought', 'unit-tagged'],
    ]);
  });

  test('the house rules decide a decision, a grade, a sheet and a wait, and nothing else', () => {
    expect(factTypes.filter((type) => definitions[type].usesRules).sort()).toEqual([
      'part-graded',
      'part-looked-again',
      'sheet-started',
      'unit-decided',
      'wait-begun',
    ]);
  });

  test('what is looked at and locked beside the subject', () => {
    const { involves: tagging } = definitions['unit-tagged'];
    expect(tagging({ parcelId: 'p', lineNo: null })).toEqual({ keys: [{ kind: 'parcel', id: 'p' }] });
    expect(tagging({ parcelId: 'p', lineNo: 7 })).toEqual({
      keys: [
        { kind: 'parcel', id: 'p' },
        { kind: 'line', id: 'p/7' },
      ],
      line: { parcelId: 'p', lineNo: 7 },
    });
    expect(definitions['wait-begun'].involves(rightPayloads['wait-begun'])).toEqual({ needsTimers: true });
  });
});

describe('what becomes of a unit at triage', () => {
  const marked = (marks: readonly [kind: 'dent' | 'crack', face: string, field: number][]) => {
    const bench = new TestBench();
    bench.identified(phone);
    for (const [kind, face, field] of marks)
      expect(bench.act('mark-placed', 'u', { mark: { kind, face, field } })).toBe('ok');
    return bench.unit().marks.map(({ kind, face, field, depthMm }) => [kind, face, field, depthMm]);
  };

  test('a dent marked again where it is gets a millimetre deeper; elsewhere it is another', () => {
    expect(
      marked([
        ['dent', 'back', 1],
        ['dent', 'back', 2],
        ['dent', 'front', 1],
        ['dent', 'back', 1],
      ]),
    ).toEqual([
      ['dent', 'back', 2, 1],
      ['dent', 'front', 1, 1],
      ['dent', 'back', 1, 2],
    ]);
  });

  test('no dent is deeper than nine millimetres, and a crack has no depth', () => {
    expect(marked(Array.from({ length: 12 }, () => ['dent', 'back', 5] as const))).toEqual([['dent', 'back', 5, 9]]);
    expect(
      marked([
        ['crack', 'back', 5],
        ['crack', 'back', 5],
        ['dent', 'back', 5],
      ]),
    ).toEqual([
      ['crack', 'back', 5, undefined],
      ['crack', 'back', 5, undefined],
      ['dent', 'back', 5, 1],
    ]);
  });
});

describe('what the server adds', () => {
  test('a decided unit’s label is printed, and the verdict on a part is kept with the rules that gave it', () => {
    const bench = new TestBench();
    bench.identified(phone);
    const after = { ...bench.unit(), tag: 'U-0007' };
    const { printsLabels } = definitions['unit-decided'];
    expect(printsLabels([{ kind: 'unit', id: 'u', before: null, after }])).toEqual(['U-0007']);
    expect(printsLabels([{ kind: 'unit', id: 'u', before: after, after: null }])).toEqual([]);

    const readings = { capacityShare: 91.5, shape: 'flat' };
    const graded = { id: 'part', grade: 'B', limiting: 'cycles', readings } as unknown as Part;
    const { completed } = definitions['part-graded'];
    const taken = (change: object | undefined) => ({
      unitTags: [],
      partTags: [],
      bits: [],
      changes: change ? [change as never] : [],
    });
    expect(completed({ readings }, taken({ kind: 'part', id: 'part', before: null, after: graded }))).toMatchObject({
      readings,
      verdict: { grade: 'B', limiting: 'cycles' },
    });
    for (const change of [
      undefined,
      { kind: 'unit', id: 'u', before: null, after },
      { kind: 'part', id: 'part', before: graded, after: null },
      { kind: 'part', id: 'part', before: null, after: { ...graded, grade: null } },
      { kind: 'part', id: 'part', before: null, after: { ...graded, limiting: null } },
    ])
      expect(completed({ readings }, taken(change))).toEqual({ readings });
  });
});
