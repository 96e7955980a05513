import { TestBench } from '../../../tests/support/bench';
import { phone } from '../../../tests/support/models';
import type { Payloads } from './facts';
import { definitions } from './facts';

const made: Payloads['parcel-made'] = {
  code: 'Ferry lot',
  supplier: 'Ferry',
  pricePaidCents: 5000,
  transportCents: 200,
  receivedOn: '2026-11-25',
};
const line = (lineNo: number) => ({ lineNo, maker: 'Oddkin', model: 'Lantern 5', serial: `L${lineNo}`, note: '' });

function withParcel(): TestBench {
  const bench = new TestBench();
  expect(bench.act('parcel-made', 'p', made)).toBe('ok');
  return bench;
}

describe('a parcel', () => {
  test('begins uncounted, without lines, its price split evenly', () => {
    expect(withParcel().world.find('parcel', 'p')).toEqual({
      id: 'p',
      ...made,
      lineCount: 0,
      costRule: 'even',
      isCounted: false,
      version: 1,
      lastFactId: 'e1',
    });
  });

  test('no two have the same name', () => {
    expect(withParcel().act('parcel-made', 'p2', made)).toEqual({
      reason: 'code-taken',
      values: { code: 'Ferry lot' },
    });
  });

  test('its list becomes lines; a number that is there already is refused, and no line of that list is kept', () => {
    const bench = withParcel();
    expect(bench.act('lines-expected', 'p', { fileName: 'a.csv', lines: [line(1), line(2)] })).toBe('ok');
    expect(bench.act('lines-expected', 'p', { fileName: 'b.csv', lines: [line(7)] })).toBe('ok');
    expect(bench.world.find('parcel', 'p')).toMatchObject({ ...made, lineCount: 3 });
    expect(bench.world.find('line', 'p/2')).toMatchObject({ parcelId: 'p', ...line(2), version: 1 });
    expect(bench.act('lines-expected', 'p', { fileName: 'c.csv', lines: [line(8), line(2)] })).toEqual({
      reason: 'line-taken',
      values: { line: '2' },
    });
    expect(bench.world.find('line', 'p/8')).toBeUndefined();
  });

  test('how its price is split, and that it is counted, change nothing else of it', () => {
    const bench = withParcel();
    const before = bench.world.find('parcel', 'p');
    expect(bench.act('cost-spread', 'p', { rule: 'by-value' })).toBe('ok');
    expect(bench.act('parcel-counted', 'p', { isCounted: true })).toBe('ok');
    expect(bench.world.find('parcel', 'p')).toEqual({
      ...before,
      costRule: 'by-value',
      isCounted: true,
      version: 3,
      lastFactId: 'e3',
    });
    expect(bench.act('parcel-counted', 'p', { isCounted: false })).toBe('ok');
    expect(bench.world.find('parcel', 'p')?.isCounted).toBe(false);
  });
});

describe('a unit is tagged', () => {
  test('with a tag, or with a dash until the server gives one', () => {
    const bench = withParcel();
    expect(bench.act('unit-tagged', 'u', { parcelId: 'p', lineNo: null, tag: 'U-0007' })).toBe('ok');
    expect(bench.act('unit-tagged', 'v', { parcelId: 'p', lineNo: null })).toBe('ok');
    expect([bench.unit('u').tag, bench.unit('v').tag]).toEqual(['U-0007', '…']);
    expect(bench.unit('u')).toMatchObject({ stage: 'triage', isWiped: false, isOwnershipSettled: false, sheet: null });
  });

  test('not without its parcel, not for a line that is none, and a line has one unit', () => {
    const bench = withParcel();
    bench.act('lines-expected', 'p', { fileName: 'a.csv', lines: [line(4)] });
    const tag = (id: string, parcelId: string, lineNo: number | null) =>
      bench.act('unit-tagged', id, { parcelId, lineNo, tag: `T-${id}` });
    expect(tag('a', 'nowhere', null)).toEqual({ reason: 'not-found', values: { id: 'nowhere' } });
    expect(tag('a', 'p', 9)).toEqual({ reason: 'not-found', values: { id: 9 } });
    expect(tag('a', 'p', 4)).toBe('ok');
    expect(tag('b', 'p', 4)).toEqual({ reason: 'line-taken', values: { line: 4, tag: 'T-a' } });
    expect(tag('a', 'p', null)).toEqual({ reason: 'id-reused', values: { id: 'a' } });
  });

  test('what the rows of the dock ask to be loaded, and what the server writes in', () => {
    expect(definitions['parcel-made'].involves(made)).toEqual({ parcelCode: 'Ferry lot' });
    const { tagsNeeded, completed } = definitions['unit-tagged'];
    const said = { parcelId: 'p', lineNo: null };
    expect(tagsNeeded(said)).toEqual({ unit: 1, part: 0 });
    expect(completed(said, { unitTags: ['U-0009'], partTags: [], changes: [], bits: [] })).toEqual({
      ...said,
      tag: 'U-0009',
    });
    expect(definitions['unit-decided'].involves({ disposition: 'donor', proposed: 'donor', apartPlace: null })).toEqual(
      { needsLostReports: true },
    );
    const identity = { modelId: 'm', modelVersion: 3, revision: 'a', configuration: 'b', variant: 'c', serial: 'S1' };
    expect(definitions['unit-identified'].involves(identity)).toEqual({
      serial: 'S1',
      model: { modelId: 'm', modelVersion: 3 },
    });
  });
});

describe('taking back at the dock', () => {
  const undo = (bench: TestBench, factId: string) => bench.act('undone', 'p', { factId });

  test('a parcel goes with its last fact, but not while a unit is in it', () => {
    const bench = new TestBench();
    bench.act('parcel-made', 'p', made, { id: 'made' });
    bench.act('unit-tagged', 'u', { parcelId: 'p', lineNo: null }, { id: 'tagged' });
    expect(undo(bench, 'made')).toEqual({ reason: 'stands-on-it', values: { tag: made.code, id: 'p' } });
    expect(undo(bench, 'tagged')).toBe('ok');
    expect(bench.world.find('unit', 'u')).toBeUndefined();
    expect(undo(bench, 'made')).toBe('ok');
    expect(bench.world.find('parcel', 'p')).toBeUndefined();
    expect(undo(bench, 'made')).toEqual({ reason: 'undo-too-late', values: {} });
  });

  test('a list goes, but not while a unit stands for one of its lines', () => {
    const bench = withParcel();
    bench.act('lines-expected', 'p', { fileName: 'a.csv', lines: [line(1), line(2)] }, { id: 'list' });
    bench.act('unit-tagged', 'u', { parcelId: 'p', lineNo: 2 }, { id: 'tagged' });
    expect(undo(bench, 'list')).toEqual({ reason: 'stands-on-it', values: { tag: made.code, id: 'p' } });
    expect(undo(bench, 'tagged')).toBe('ok');
    expect(undo(bench, 'list')).toBe('ok');
    expect(bench.world.find('line', 'p/1')).toBeUndefined();
    expect(bench.world.find('parcel', 'p')).toMatchObject({ lineCount: 0, version: 3 });
  });

  test('what was never said, and what touched nothing, is not taken back', () => {
    const bench = withParcel();
    expect(undo(bench, 'never')).toEqual({ reason: 'not-found', values: { id: 'never' } });
    bench.world.remember('nothing', [], false);
    expect(undo(bench, 'nothing')).toEqual({ reason: 'undo-too-late', values: {} });
  });

  test('versions go on counting, so that who saw the undone state is refused', () => {
    const bench = new TestBench();
    bench.identified(phone);
    const { version } = bench.unit();
    bench.act('test-noted', 'u', { test: 'starts', result: 'sound' }, { id: 'noted' });
    expect(undo(bench, 'noted')).toBe('ok');
    expect(bench.unit()).toMatchObject({ tests: {}, version: version + 2 });
    expect(bench.act('test-noted', 'u', { test: 'starts', result: 'sound' }, { expects: version + 1 })).toEqual({
      reason: 'stale',
      values: { tag: 'T-u' },
    });
    expect(bench.act('cost-spread', 'p', { rule: 'even' }, { expects: 9 })).toEqual({
      reason: 'stale',
      values: { tag: 'Lot' },
    });
  });
});
