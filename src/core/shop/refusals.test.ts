import { sparePart, TestBench } from '../../../tests/support/bench';
import { handset, phone } from '../../../tests/support/models';
import type { Part } from '@/core/entities/entities';
import type { ModelPart } from '@/core/procedure/parts';
import { freshSheet } from '@/core/sheet/freshSheet';
import { definitions } from './facts';

/** A refusal is read by a person: it names what it is about. */
const display = phone.parts.find(({ id }) => id === 'display') as ModelPart;
const part = (given: Partial<Part>): Part => ({ ...sparePart(phone, display, 'part'), tag: 'P-00001', ...given });

function matching(): TestBench {
  const bench = new TestBench();
  bench.decided(phone, 'build');
  bench.world.put('part', part({}));
  return bench;
}
const assign = (bench: TestBench, slot = 'display', partId = 'part') =>
  bench.act('part-assigned', 'u', { slot, partId });

describe('Match', () => {
  test('a part is set aside for one slot of one unit, and comes back to the shelf', () => {
    const bench = matching();
    const before = bench.unit();
    expect(assign(bench)).toBe('ok');
    expect(bench.world.find('part', 'part')).toMatchObject({ place: 'assigned', assignedTo: 'u', bin: 'A01' });
    expect(bench.act('part-released', 'u', { slot: 'display' })).toBe('ok');
    expect(bench.world.find('part', 'part')).toMatchObject({ place: 'shelf', assignedTo: null });
    expect(bench.unit()).toEqual({ ...before, version: before.version + 2, lastFactId: bench.unit().lastFactId });
  });

  test('not one that is not there, not one that is taken, not into a slot that has one, not one that does not fit', () => {
    const bench = matching();
    expect(assign(bench, 'display', 'none')).toEqual({ reason: 'not-found', values: { id: 'none' } });
    bench.world.put('part', part({ id: 'motor', tag: 'P-00002', interchange: 'lantern-motor' }));
    expect(assign(bench, 'display', 'motor')).toEqual({
      reason: 'not-interchangeable',
      values: { tag: 'P-00002', slot: 'display' },
    });
    expect(assign(bench)).toBe('ok');
    expect(assign(bench)).toEqual({ reason: 'part-taken', values: { tag: 'P-00001' } });
    bench.world.put('part', part({ id: 'second', tag: 'P-00003' }));
    expect(assign(bench, 'display', 'second')).toEqual({ reason: 'part-taken', values: { tag: 'P-00003' } });
  });

  test('nothing is put back from a slot that has nothing', () => {
    expect(matching().act('part-released', 'u', { slot: 'display' })).toEqual({
      reason: 'not-found',
      values: { id: 'display' },
    });
  });

  test('a unit goes on when nothing is needed any more: to the bench with parts for it, to proof without', () => {
    const bench = matching();
    bench.world.put('unit', { ...bench.unit(), tests: { picture: 'fault' } });
    expect(bench.act('unit-matched', 'u', {})).toEqual({
      reason: 'slots-open',
      values: { tag: 'T-u', slot: 'display', count: 1 },
    });
    expect(assign(bench)).toBe('ok');
    expect(bench.act('unit-matched', 'u', {})).toBe('ok');
    expect(bench.unit().stage).toBe('rebuild');
    const whole = matching();
    whole.world.put('unit', { ...whole.unit(), tests: {} });
    expect(whole.act('unit-matched', 'u', {})).toBe('ok');
    expect(whole.unit().stage).toBe('prove');
  });
});

describe('Grade and Shelf', () => {
  test('what may hold somebody’s data is not put away', () => {
    const bench = new TestBench();
    bench.world.put('part', part({ place: 'to-shelve', isDataCleared: false }));
    expect(bench.act('part-shelved', 'part', { bin: 'B02' })).toEqual({
      reason: 'data-bearing',
      values: { tag: 'P-00001' },
    });
  });

  test('scrap has no bin, and stays what it was otherwise', () => {
    const bench = new TestBench();
    bench.world.put('part', part({}));
    expect(bench.act('part-scrapped', 'part', { because: 'no room' })).toBe('ok');
    expect(bench.world.find('part', 'part')).toEqual(part({ place: 'scrap', bin: null, version: 2, lastFactId: 'e1' }));
  });
});

describe('Prove and Send', () => {
  function proving(given: object = {}): TestBench {
    const bench = new TestBench();
    bench.identified(phone);
    const proof = Object.fromEntries(phone.tests.map((test) => [test, 'sound'] as const));
    bench.world.put('unit', { ...bench.unit(), stage: 'prove', disposition: 'build', isWiped: true, proof, ...given });
    return bench;
  }

  test('data first, then every test', () => {
    expect(proving({ isWiped: false }).act('unit-proven', 'u', { cosmetic: 'A' })).toEqual({
      reason: 'not-wiped',
      values: { tag: 'T-u' },
    });
    const [first] = phone.tests;
    expect(proving({ proof: {} }).act('unit-proven', 'u', { cosmetic: 'A' })).toEqual({
      reason: 'tests-open',
      values: { tag: 'T-u', count: phone.tests.length, first },
    });
  });

  test('the sale grade is held down by the look, and by the grade of a part that was put in', () => {
    const grade = (given: object, cosmetic: 'A' | 'C', fitted?: Partial<Part>) => {
      const bench = proving(given);
      if (fitted) bench.world.put('part', part({ place: 'fitted', ...fitted }));
      expect(bench.act('unit-proven', 'u', { cosmetic })).toBe('ok');
      expect(bench.unit().stage).toBe('send');
      return bench.unit().saleGrade;
    };
    const look = grade({}, 'A');
    expect(grade({}, 'C')).toBe('C');
    expect(grade({ fitted: { display: 'part' } }, 'A', { grade: 'D' })).toBe('D');
    expect(grade({ fitted: { display: 'part' } }, 'A', { grade: 'A' })).toBe(look);
    // A part that nobody has on record any more counts as the unit's own.
    expect(grade({ fitted: { display: 'lost' } }, 'A')).toBe(look);
  });

  test('what failed goes back to Match to be built, knowing what failed', () => {
    const bench = proving({ disposition: 'as-is', tests: { starts: 'sound' }, proof: { picture: 'fault' } });
    expect(bench.act('unit-reworked', 'u', { because: 'No picture' })).toBe('ok');
    expect(bench.unit()).toMatchObject({
      stage: 'match',
      disposition: 'build',
      tests: { starts: 'sound', picture: 'fault' },
      proof: {},
      sheet: null,
    });
  });

  test('what is sent is sent with its shipment', () => {
    const bench = proving({ stage: 'send', saleGrade: 'B' });
    expect(bench.act('unit-sent', 'u', { shipment: 'S-0004', recipient: 'Quay shop' })).toBe('ok');
    expect(bench.unit()).toMatchObject({ stage: 'sent', shipment: 'S-0004', saleGrade: 'B' });
  });
});

describe('Triage', () => {
  const identify = (bench: TestBench, id: string, serial: string, modelId = phone.id) =>
    bench.act('unit-identified', id, {
      modelId,
      modelVersion: phone.version,
      revision: 'a',
      configuration: 'standard',
      variant: 'grey-64',
      serial,
    });

  test('a model that is not in the library, a serial that another unit has; the unit’s own and none are fine', () => {
    const bench = new TestBench();
    bench.identified(phone, 'u', 'S1');
    bench.identified(handset, 'v', 'S2');
    expect(identify(bench, 'v', 'S2', 'none')).toEqual({ reason: 'unknown-model', values: { model: 'none' } });
    expect(identify(bench, 'v', 'S1')).toEqual({ reason: 'serial-known', values: { serial: 'S1', tag: 'T-u' } });
    expect(identify(bench, 'v', 'S2')).toBe('ok');
    expect(identify(bench, 'v', '')).toBe('ok');
    expect(identify(bench, 'u', '')).toBe('ok');
    expect([bench.unit('u').serial, bench.unit('v').serial]).toEqual([null, null]);
  });

  test('each decision leads to its stage, and only what is kept apart has a place for it', () => {
    const stages = {
      build: 'match',
      donor: 'teardown',
      'as-is': 'prove',
      recycle: 'recycled',
      quarantine: 'kept-apart',
    };
    for (const [disposition, stage] of Object.entries(stages)) {
      const bench = new TestBench();
      bench.identified(phone);
      const payload = { disposition: disposition as 'build', proposed: 'build' as const, apartPlace: null };
      expect(bench.act('unit-decided', 'u', payload)).toBe('ok');
      expect(bench.unit()).toMatchObject({ stage, disposition });
      expect(bench.unit().apartPlace === null).toBe(disposition !== 'quarantine');
    }
  });

  test('a lock is named with its unit', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('test-noted', 'u', { test: 'account-lock', result: 'fault' });
    const payload = { disposition: 'donor', proposed: 'donor', apartPlace: null } as const;
    expect(bench.act('unit-decided', 'u', payload)).toEqual({ reason: 'account-locked', values: { tag: 'T-u' } });
  });

  test('labels are of units that are there, and of nothing else', () => {
    const bench = matching();
    const shelved = part({});
    const { printsLabels } = definitions['unit-decided'];
    expect(
      printsLabels([
        { kind: 'part', id: 'part', before: null, after: shelved },
        { kind: 'unit', id: 'u', before: null, after: bench.unit() },
      ]),
    ).toEqual(['T-u']);
  });
});

describe('what was kept apart', () => {
  const halted = { ...freshSheet, isHalted: true };
  function apart(place: 'hazard' | 'ownership' | 'unknown-model', given: object = {}): TestBench {
    const bench = new TestBench();
    bench.identified(phone);
    bench.world.put('unit', {
      ...bench.unit(),
      stage: 'kept-apart',
      disposition: 'quarantine',
      apartPlace: place,
      ...given,
    });
    return bench;
  }

  test('leaves only for a reason of its place', () => {
    expect(apart('ownership').act('unit-let-go', 'u', { because: 'made-safe' })).toEqual({
      reason: 'not-let-go',
      values: { tag: 'T-u', place: 'ownership' },
    });
  });

  test('made safe, its sheet is not halted any more; its owner has not agreed by that', () => {
    const bench = apart('hazard', { sheet: halted });
    expect(bench.act('unit-let-go', 'u', { because: 'made-safe' })).toBe('ok');
    expect(bench.unit()).toMatchObject({ stage: 'triage', apartPlace: null, disposition: null });
    expect([bench.unit().sheet?.isHalted, bench.unit().isOwnershipSettled]).toEqual([false, false]);
    const without = apart('hazard', { sheet: null });
    expect(without.act('unit-let-go', 'u', { because: 'made-safe' })).toBe('ok');
    expect(without.unit().sheet).toBeNull();
  });

  test('its owner agrees: that is settled, and a halted sheet stays halted', () => {
    const bench = apart('ownership', { sheet: halted });
    expect(bench.act('unit-let-go', 'u', { because: 'owner-agrees' })).toBe('ok');
    expect([bench.unit().sheet?.isHalted, bench.unit().isOwnershipSettled]).toEqual([true, true]);
  });

  test('disposed of, it is recycled for good', () => {
    const bench = apart('hazard');
    expect(bench.act('unit-let-go', 'u', { because: 'disposed' })).toBe('ok');
    expect(bench.unit()).toMatchObject({ stage: 'recycled', disposition: 'recycle', apartPlace: null });
  });
});
