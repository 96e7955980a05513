import { TestBench } from '../../../tests/support/bench';
import { handset, phone } from '../../../tests/support/models';
import { bestReadings } from '../../../tests/support/bestReadings';
import type { CellLabel } from '../battery/pack';
import type { Part } from '../entities/entities';
import type { Model } from '../procedure/model';

const reason = (outcome: unknown) => (outcome === 'ok' ? 'ok' : (outcome as { reason: string }).reason);

/** Puts a graded part of a handset's donor on the shelf. */
function shelve(bench: TestBench, partRef: string): Part {
  const id = `donor-${partRef}`;
  bench.decided(handset, 'donor', id);
  bench.act('sheet-started', id, { kind: 'teardown', targets: [partRef], keeping: 'tray' });
  bench.finishSheet(handset, id);
  const part = bench.parts().find((entry) => entry.unitId === id && entry.partRef === partRef) as Part;
  bench.act('part-graded', part.id, { readings: bestReadings(part) });
  bench.act('part-shelved', part.id, { bin: 'A01' });
  return part;
}

describe('applyFact: what every fact obeys', () => {
  test('a page that saw an older version is refused, and nothing changes', () => {
    const bench = new TestBench();
    bench.identified(phone);
    const before = bench.unit();
    expect(reason(bench.act('test-noted', 'u', { test: 'starts', result: 'sound' }, { expects: 1 }))).toBe('stale');
    expect(bench.unit()).toBe(before);
  });

  test('a subject cannot be made twice, nor acted on before it is there', () => {
    const bench = new TestBench();
    bench.identified(phone);
    expect(reason(bench.act('unit-tagged', 'u', { parcelId: 'p', lineNo: null }))).toBe('id-reused');
    expect(reason(bench.act('test-noted', 'nobody', { test: 'starts', result: 'sound' }))).toBe('not-found');
  });

  test('a fact is taken back until something newer stands on it, and once only', () => {
    const bench = new TestBench();
    bench.identified(phone);
    const before = bench.unit();
    bench.act('test-noted', 'u', { test: 'starts', result: 'sound' }, { id: 'first' });
    bench.act('test-noted', 'u', { test: 'touch', result: 'fault' }, { id: 'second' });
    expect(reason(bench.act('undone', 'u', { factId: 'first' }))).toBe('stands-on-it');
    expect(bench.act('undone', 'u', { factId: 'second' })).toBe('ok');
    expect(reason(bench.act('undone', 'u', { factId: 'second' }))).toBe('undo-too-late');
    expect(bench.act('undone', 'u', { factId: 'first' })).toBe('ok');
    expect(bench.unit()).toEqual({ ...before, version: before.version + 4 });
    expect(reason(bench.act('undone', 'u', { factId: 'never' }))).toBe('not-found');
  });
});

describe('Dock and Triage', () => {
  test('a line of the list is one unit', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('lines-expected', 'p', {
      fileName: 'f',
      lines: [{ lineNo: 1, maker: 'Oddkin', model: 'Lantern 5', serial: '', note: '' }],
    });
    expect(bench.act('unit-tagged', 'a', { parcelId: 'p', lineNo: 1 })).toBe('ok');
    expect(reason(bench.act('unit-tagged', 'b', { parcelId: 'p', lineNo: 1 }))).toBe('line-taken');
    expect(reason(bench.act('unit-tagged', 'c', { parcelId: 'p', lineNo: 2 }))).toBe('not-found');
    expect(
      reason(
        bench.act('parcel-made', 'q', {
          code: 'Lot',
          supplier: 'x',
          pricePaidCents: 0,
          transportCents: 0,
          receivedOn: '2026-01-01',
        }),
      ),
    ).toBe('code-taken');
  });

  test('the same serial twice is a question', () => {
    const bench = new TestBench();
    bench.identified(phone, 'u', 'SAME');
    bench.identified(phone, 'v', 'SAME');
    expect(bench.unit('v').serial).toBeNull();
  });

  test('a locked unit may only be kept apart, an unknown one too', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('test-noted', 'u', { test: 'account-lock', result: 'fault' });
    for (const disposition of ['build', 'donor', 'as-is', 'recycle'] as const) {
      expect(reason(bench.act('unit-decided', 'u', { disposition, proposed: disposition, apartPlace: null }))).toBe(
        'account-locked',
      );
    }
    expect(
      bench.act('unit-decided', 'u', { disposition: 'quarantine', proposed: 'quarantine', apartPlace: null }),
    ).toBe('ok');
    expect([bench.unit().stage, bench.unit().apartPlace]).toEqual(['kept-apart', 'ownership']);
    bench.act('unit-tagged', 'v', { parcelId: 'p', lineNo: null });
    expect(reason(bench.act('unit-decided', 'v', { disposition: 'donor', proposed: 'donor', apartPlace: null }))).toBe(
      'not-identified',
    );
  });
});

describe('Teardown, Grade and Shelf', () => {
  test('data first: what starts is wiped before it is opened', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('test-noted', 'u', { test: 'starts', result: 'sound' });
    bench.act('unit-decided', 'u', { disposition: 'donor', proposed: 'donor', apartPlace: null });
    expect(reason(bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' }))).toBe(
      'not-wiped',
    );
    bench.act('wipe-recorded', 'u', { method: 'device-erase' });
    expect(bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' })).toBe('ok');
  });

  test('steps come in order, once, and report exactly the parts they free', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    expect(reason(bench.act('step-done', 'u', { stepId: 'out:battery', seconds: 1, freed: [] }))).toBe('step-not-next');
    expect(reason(bench.act('step-done', 'u', { stepId: 'out:door', seconds: 1, freed: [] }))).toBe('bad-input');
    expect(bench.step(handset)).toBe('ok');
    expect(reason(bench.act('step-done', 'u', { stepId: 'out:door', seconds: 1, freed: [] }))).toBe(
      'step-done-already',
    );
    expect(bench.step(handset)).toBe('ok');
    expect([bench.unit().stage, bench.unit().sheet?.isClosed]).toEqual(['spent', true]);
    expect(bench.parts().map(({ partRef, place }) => `${partRef} ${place}`)).toEqual(['door grade', 'battery grade']);
  });

  test('broken is scrap at once, missing makes no part', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    bench.act('part-trouble', 'u', {
      stepId: 'out:door',
      partRef: 'door',
      state: 'broken-by-us',
      defectCode: 'cover-cracked',
    });
    bench.step(handset);
    bench.act('part-trouble', 'u', { stepId: 'out:battery', partRef: 'battery', state: 'missing', defectCode: null });
    bench.step(handset);
    expect(bench.parts().map(({ partRef, state, place, grade }) => [partRef, state, place, grade])).toEqual([
      ['door', 'broken-by-us', 'scrap', 'X'],
    ]);
  });

  test('a data-bearing part of a unit that was never wiped is not for the shelf', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['board'], keeping: 'tray' });
    bench.finishSheet(handset);
    const board = bench.parts().find(({ partRef }) => partRef === 'board') as Part;
    bench.act('part-graded', board.id, { readings: bestReadings(board) });
    expect(reason(bench.act('part-shelved', board.id, { bin: 'A01' }))).toBe('data-bearing');
    expect(bench.act('part-scrapped', board.id, { because: 'destroyed' })).toBe('ok');
  });

  test('scrap stays off the shelf', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    bench.finishSheet(handset);
    const battery = bench.parts().find(({ partRef }) => partRef === 'battery') as Part;
    bench.act('part-graded', battery.id, { readings: { ...bestReadings(battery), shape: 'swollen' } });
    expect(bench.world.find('part', battery.id)).toMatchObject({ grade: 'X', limiting: 'shape', place: 'scrap' });
    expect(reason(bench.act('part-shelved', battery.id, { bin: 'A01' }))).toBe('wrong-stage');
  });

  test('a cell whose label contradicts the place it came out of is not graded; its readings and its place stay', () => {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    bench.finishSheet(handset);
    const battery = bench.parts().find(({ partRef }) => partRef === 'battery') as Part;
    const { ratedAmpHours, cell } = handset.parts.find(({ id }) => id === 'battery') as Model['parts'][number];
    const right: CellLabel = {
      type: cell?.type ?? '',
      ratedAmpHours: ratedAmpHours ?? 0,
      ratedVolt: cell?.volt ?? 0,
      limitVolt: cell?.limitVolt ?? 0,
    };
    const graded = (label: CellLabel) =>
      reason(bench.act('part-graded', battery.id, { readings: bestReadings(battery), cell: { label } }));
    expect(graded({ ...right, type: 'another one' })).toBe('label-type');
    expect(graded({ ...right, limitVolt: right.limitVolt - 0.1 })).toBe('label-limit');
    expect(graded({ ...right, ratedVolt: right.ratedVolt * 2 })).toBe('label-volt');
    expect(graded({ ...right, ratedAmpHours: right.ratedAmpHours * 2 })).toBe('label-rating');
    expect(bench.world.find('part', battery.id)).toEqual(battery);
    expect(graded(right)).toBe('ok');
    expect(bench.world.find('part', battery.id)).toMatchObject({ cell: { label: right } });
  });
});

describe('Match, Rebuild, Prove and Send', () => {
  function toBuild(): { bench: TestBench; display: Part } {
    const bench = new TestBench();
    const display = shelve(bench, 'display');
    bench.identified(handset);
    bench.act('test-noted', 'u', { test: 'picture', result: 'fault' });
    bench.act('unit-decided', 'u', { disposition: 'build', proposed: 'build', apartPlace: null });
    return { bench, display };
  }

  test('only what fits is set aside, for one unit at a time', () => {
    const { bench, display } = toBuild();
    expect(reason(bench.act('unit-matched', 'u', {}))).toBe('slots-open');
    expect(reason(bench.act('part-assigned', 'u', { slot: 'keypad', partId: display.id }))).toBe('not-interchangeable');
    expect(bench.act('part-assigned', 'u', { slot: 'display', partId: display.id })).toBe('ok');
    bench.decided(handset, 'build', 'v');
    expect(reason(bench.act('part-assigned', 'v', { slot: 'display', partId: display.id }))).toBe('part-taken');
    expect(bench.act('part-released', 'u', { slot: 'display' })).toBe('ok');
    expect(bench.act('part-assigned', 'v', { slot: 'display', partId: display.id })).toBe('ok');
  });

  test('one unit goes the whole way, with its gate, its wipe and every test', () => {
    const { bench, display } = toBuild();
    bench.act('part-assigned', 'u', { slot: 'display', partId: display.id });
    bench.act('unit-matched', 'u', {});
    bench.act('sheet-started', 'u', { kind: 'rebuild', targets: ['display'], keeping: 'tray' });
    while (!bench.unit().sheet?.doneStepIds.includes('back:display')) bench.step(handset);
    expect(bench.world.find('part', display.id)).toMatchObject({ place: 'fitted' });
    const next = () => bench.unit().sheet?.stepIds[bench.unit().sheet?.doneStepIds.length ?? 0] ?? '';
    while (!next().startsWith('gate:before')) bench.step(handset);
    const gate = next();
    expect(reason(bench.act('step-done', 'u', { stepId: gate, seconds: 1, freed: [] }))).toBe('gate-not-passed');
    bench.act('gate-judged', 'u', { stepId: gate, hasPassed: false });
    expect(bench.unit().stage).toBe('rebuild');
    bench.finishSheet(handset);
    expect(bench.unit()).toMatchObject({ stage: 'prove', fitted: { display: display.id }, assigned: {} });
    expect(reason(bench.act('unit-proven', 'u', { cosmetic: 'A' }))).toBe('not-wiped');
    bench.act('wipe-recorded', 'u', { method: 'device-erase' });
    expect(reason(bench.act('unit-proven', 'u', { cosmetic: 'A' }))).toBe('tests-open');
    for (const test of handset.tests) bench.act('proof-noted', 'u', { test, result: 'sound' });
    expect(bench.act('unit-proven', 'u', { cosmetic: 'A' })).toBe('ok');
    // The display is an A; its own shell, which nobody found fault with, counts as B.
    expect(bench.unit()).toMatchObject({ stage: 'send', saleGrade: 'B' });
    expect(bench.act('unit-sent', 'u', { shipment: 'S-0001', recipient: 'Shop' })).toBe('ok');
    expect(reason(bench.act('unit-sent', 'u', { shipment: 'S-0001', recipient: 'Shop' }))).toBe('wrong-stage');
  });

  test('what fails in proof goes back to Match, which then asks for the part behind it', () => {
    const bench = new TestBench();
    bench.decided(handset, 'build');
    bench.act('unit-matched', 'u', {});
    bench.act('proof-noted', 'u', { test: 'sound', result: 'fault' });
    expect(bench.act('unit-reworked', 'u', { because: 'no sound' })).toBe('ok');
    expect(reason(bench.act('unit-matched', 'u', {}))).toBe('slots-open');
  });
});
