import { randomUUID } from 'node:crypto';
import { aThingId as id, rightPayloads as right, type PostedFactType } from '../../../tests/support/rightPayloads';
import { factTypes, type FactType } from '@/core/shop/facts';
import { parseFact } from './parseFact';

const makers: readonly FactType[] = ['parcel-made', 'unit-tagged', 'part-bought'];
const envelope = (type: FactType, payload: unknown, given: object = {}) => ({
  id: randomUUID(),
  type,
  subjectId: id,
  expects: makers.includes(type) || type === 'undone' ? null : 3,
  at: '2026-11-25T08:00:00.000Z',
  payload,
  ...given,
});
const refusal = (input: unknown) => {
  const outcome = parseFact(input);
  return outcome.ok ? 'ok' : outcome.refusal;
};

describe('parseFact', () => {
  test.each(['constructor', '__proto__', 'prototype'])('a key that every object has is refused: %s', (key) => {
    const given = { ...envelope('note-written', right['note-written']), payload: {} };
    const hostile = JSON.parse(
      JSON.stringify(given).replace('"payload":{}', `"payload":{"a":[{"${key}":{}}]}`),
    ) as unknown;
    expect(refusal(hostile)).toMatchObject({ reason: 'bad-input', values: { field: key } });
  });

  test('things in things without end are refused before anything goes in', () => {
    const deep = JSON.parse(`${'['.repeat(3000)}${']'.repeat(3000)}`) as unknown;
    expect(refusal({ ...envelope('note-written', right['note-written']), payload: { deep } })).toMatchObject({
      reason: 'bad-input',
      values: { field: 'request' },
    });
  });

  test.each(Object.keys(right) as PostedFactType[])('%s goes through as it is', (type) => {
    const given = envelope(type, right[type]);
    expect(parseFact(given)).toEqual({ ok: true, value: given });
  });

  test('every fact has its payload, but the list that only the server reads', () => {
    expect([...Object.keys(right), 'lines-expected'].sort()).toEqual([...factTypes].sort());
    expect(refusal(envelope('lines-expected', { fileName: 'x', lines: [] }))).toMatchObject({
      values: { field: 'type' },
    });
  });

  test.each(Object.keys(right) as PostedFactType[])('%s: a field too many is refused', (type) => {
    expect(refusal(envelope(type, { ...right[type], surplus: 1 }))).toMatchObject({
      reason: 'bad-input',
      values: { field: 'surplus' },
    });
  });

  test.each(
    (Object.keys(right) as PostedFactType[]).flatMap((type) =>
      Object.keys(right[type]).map((field) => [type, field] as const),
    ),
  )('%s without its %s is refused, and named', (type, field) => {
    const payload = Object.fromEntries(Object.entries(right[type]).filter(([name]) => name !== field));
    expect(refusal(envelope(type, payload))).toMatchObject({ reason: 'bad-input', values: { field } });
  });

  test.each<[PostedFactType, object, string]>([
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
    ['parts-promised', { parts: [{ part: 'display', for: 'Fern & Bell' }] }, 'parts.0.for'],
    ['part-graded', { verdict: { grade: 'A', limiting: 'x', rules: 1 } }, 'verdict'],
    ['unit-sent', { shipment: 'S-1' }, 'shipment'],
    ['sheet-started', { keeping: 'pocket' }, 'keeping'],
    ['sheet-replanned', { findings: ['ghost'] }, 'findings'],
    ['step-resisted', { rung: -1 }, 'rung'],
    ['step-resisted', { isHandedOver: false }, 'isHandedOver'],
    ['sheet-started', { targets: Array.from({ length: 101 }, () => 'battery') }, 'targets'],
  ])('%s with %j is refused at %s', (type, wrong, field) => {
    expect(refusal(envelope(type, { ...right[type], ...wrong }))).toMatchObject({
      reason: 'bad-input',
      values: { field },
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
    expect(refusal(given)).toMatchObject({ reason: 'bad-input', values: { field } });
  });
});
