import { randomUUID } from 'node:crypto';
import { eventTypes, type EventType, type Payloads } from '@/core/bench/events';
import { parseEvent, type PostedEventType } from './parseEvent';

const id = randomUUID();

/** A right payload for every fact that a browser may post. */
const right: { readonly [T in PostedEventType]: Payloads[T] } = {
  'parcel-made': {
    code: 'Ferry line, spring lot',
    supplier: 'Northreach',
    pricePaidCents: 100,
    transportCents: 0,
    receivedOn: '2026-11-25',
  },
  'cost-spread': { rule: 'by-value' },
  'parcel-counted': { isCounted: true },
  'unit-tagged': { parcelId: id, lineNo: null },
  'unit-identified': {
    modelId: 'oddkin-lantern-5',
    modelVersion: 1,
    revision: 'a',
    configuration: 'standard',
    variant: 'grey-64',
    serial: '',
  },
  'mark-placed': { mark: { kind: 'crack', face: 'back', field: 5 } },
  'test-noted': { test: 'starts', result: 'fault' },
  'wipe-recorded': { method: 'device-erase' },
  'unit-decided': { disposition: 'quarantine', proposed: 'build', apartPlace: 'hazard' },
  'unit-let-go': { because: 'made-safe' },
  'unit-set-apart': { place: 'hazard' },
  'photo-taken': { photo: { id: '6f9619ff-8b86-4d01-b42d-00cf4fc964ff', face: 'back', field: 5 } },
  'sheet-started': { kind: 'teardown', targets: ['battery'], keeping: 'tray' },
  'sheet-replanned': {
    because: 'found',
    targets: ['battery'],
    findings: ['swelling'],
    barred: ['strip'],
    again: [],
  },
  'step-resisted': { stepId: 'out:strip~2', rung: 1, seconds: 31.5 },
  'step-done': { stepId: 'out:battery', seconds: 12.5, freed: [{ partId: id, partRef: 'battery', state: 'sound' }] },
  'part-trouble': { stepId: 'out:battery', partRef: 'battery', state: 'missing', defectCode: null },
  'screw-trouble': { stepId: 'out:plate', kind: 'stripped', count: 1 },
  'gate-judged': { stepId: 'gate:before-seal', hasPassed: false },
  'sheet-closed': { because: 'stopped at the bench' },
  'part-graded': { readings: { capacityShare: 91.5, shape: 'flat' } },
  'part-shelved': { bin: 'B07' },
  'part-scrapped': { because: 'no room' },
  'part-assigned': { slot: 'display', partId: id },
  'part-released': { slot: 'display' },
  'unit-matched': {},
  'step-skipped': { stepId: 'out:back', because: 'done-already' },
  'wait-begun': { stepId: 'out:warm', fixture: 'hot plate', place: 1, minutes: 4 },
  'note-written': { stepId: null, text: 'Clip 3 was glued.' },
  'hazard-cleared': {},
  'reuse-judged': { stepId: 'out:gasket', partRef: 'gasket', isReused: true },
  'torque-read': { stepId: 'back:plate', jointId: 'plate-1', newtonCm: 5.2, isKept: false },
  'proof-noted': { test: 'radios', result: 'sound' },
  'unit-proven': { cosmetic: 'B' },
  'unit-reworked': { because: 'no sound' },
  'unit-sent': { shipment: 'S-0012', recipient: 'Harbour Row shop' },
  undone: { eventId: id },
};

const makers: readonly EventType[] = ['parcel-made', 'unit-tagged'];
const envelope = (type: EventType, payload: unknown, given: object = {}) => ({
  id: randomUUID(),
  type,
  subjectId: id,
  expects: makers.includes(type) || type === 'undone' ? null : 3,
  at: '2026-11-25T08:00:00.000Z',
  payload,
  ...given,
});
const refusal = (input: unknown) => {
  const outcome = parseEvent(input);
  return outcome.ok ? 'ok' : outcome.refusal;
};

describe('parseEvent', () => {
  test.each(Object.keys(right) as PostedEventType[])('%s goes through as it is', (type) => {
    const given = envelope(type, right[type]);
    expect(parseEvent(given)).toEqual({ ok: true, value: given });
  });

  test('every fact has its payload, but the list that only the server reads', () => {
    expect([...Object.keys(right), 'lines-expected'].sort()).toEqual([...eventTypes].sort());
    expect(refusal(envelope('lines-expected', { fileName: 'x', lines: [] }))).toMatchObject({
      facts: { field: 'type' },
    });
  });

  test.each(Object.keys(right) as PostedEventType[])('%s: a field too many is refused', (type) => {
    expect(refusal(envelope(type, { ...right[type], surplus: 1 }))).toMatchObject({
      reason: 'bad-input',
      facts: { field: 'surplus' },
    });
  });

  test.each(
    (Object.keys(right) as PostedEventType[]).flatMap((type) =>
      Object.keys(right[type]).map((field) => [type, field] as const),
    ),
  )('%s without its %s is refused, and named', (type, field) => {
    const payload = Object.fromEntries(Object.entries(right[type]).filter(([name]) => name !== field));
    expect(refusal(envelope(type, payload))).toMatchObject({ reason: 'bad-input', facts: { field } });
  });

  test.each<[PostedEventType, object, string]>([
    ['parcel-made', { pricePaidCents: 8.5 }, 'pricePaidCents'],
    ['parcel-made', { pricePaidCents: -1 }, 'pricePaidCents'],
    ['parcel-made', { receivedOn: '25.11.2026' }, 'receivedOn'],
    ['parcel-made', { receivedOn: '2026-02-31' }, 'receivedOn'],
    ['parcel-made', { code: '<script>' }, 'code'],
    ['cost-spread', { rule: 'by-weight' }, 'rule'],
    ['unit-let-go', { because: 'in-a-hurry' }, 'because'],
    ['step-done', { endId: '' }, 'endId'],
    ['step-done', { awaySeconds: -1 }, 'awaySeconds'],
    ['torque-read', { newtonCm: -1 }, 'newtonCm'],
    ['step-skipped', { because: 'lazy' }, 'because'],
    ['wait-begun', { minutes: 0 }, 'minutes'],
    ['wait-begun', { place: 1.5 }, 'place'],
    ['note-written', { text: '' }, 'text'],
    ['photo-taken', { photo: { id: 'x', face: null, field: null } }, 'photo.id'],
    ['unit-tagged', { lineNo: 0 }, 'lineNo'],
    ['mark-placed', { mark: { kind: 'crack', face: 'back', field: 10 } }, 'mark.field'],
    ['mark-placed', { mark: { kind: 'scratch', face: 'back', field: 1 } }, 'mark.kind'],
    ['mark-placed', { mark: [] }, 'mark'],
    ['step-done', { seconds: Number.NaN }, 'seconds'],
    ['step-done', { freed: {} }, 'freed'],
    ['step-done', { freed: [{ partId: 'x', partRef: 'battery', state: 'sound' }] }, 'freed.0.partId'],
    ['step-done', { stepId: '../etc' }, 'stepId'],
    ['part-trouble', { state: 'sound' }, 'state'],
    ['part-shelved', { bin: 'somewhere' }, 'bin'],
    ['part-graded', { verdict: { grade: 'A', limiting: 'x', rules: 1 } }, 'verdict'],
    ['unit-sent', { shipment: 'S-1' }, 'shipment'],
    ['sheet-started', { keeping: 'pocket' }, 'keeping'],
    ['sheet-replanned', { findings: ['ghost'] }, 'findings'],
    ['step-resisted', { rung: 0 }, 'rung'],
    ['sheet-started', { targets: Array.from({ length: 101 }, () => 'battery') }, 'targets'],
  ])('%s with %j is refused at %s', (type, wrong, field) => {
    expect(refusal(envelope(type, { ...right[type], ...wrong }))).toMatchObject({
      reason: 'bad-input',
      facts: { field },
    });
  });

  test.each<[unknown, string]>([
    [null, 'request'],
    [[], 'request'],
    ['fact', 'request'],
    [envelope('unit-matched', {}, { id: 'x' }), 'id'],
    [envelope('unit-matched', {}, { at: 'yesterday' }), 'at'],
    [envelope('unit-matched', {}, { type: 'unit-eaten' }), 'type'],
    [envelope('unit-matched', {}, { expects: 0 }), 'expects'],
    [envelope('unit-matched', {}, { expects: null }), 'expects'],
    [envelope('unit-tagged', right['unit-tagged'], { expects: 4 }), 'expects'],
    [envelope('unit-matched', null), 'payload'],
  ])('%j is refused at %s', (given, field) => {
    expect(refusal(given)).toMatchObject({ reason: 'bad-input', facts: { field } });
  });
});
