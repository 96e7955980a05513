import { TestBench } from '../../../tests/support/bench';
import { phone } from '../../../tests/support/models';
import { isAtLeastRole } from '@/core/people/roles';
import { definitions } from './facts';
import type { ApartPlace, LetGoCause } from '../entities/stages';

function keptApart(apartPlace: ApartPlace): TestBench {
  const bench = new TestBench();
  bench.identified(phone);
  if (apartPlace === 'hazard') bench.act('mark-placed', 'u', { mark: { kind: 'swelling', face: 'back', field: 5 } });
  bench.act('mark-placed', 'u', { mark: { kind: 'dent', face: 'back', field: 1 } });
  bench.act('test-noted', 'u', { test: 'account-lock', result: 'fault' });
  bench.act('unit-decided', 'u', { disposition: 'quarantine', proposed: 'quarantine', apartPlace });
  return bench;
}

describe('unit-let-go', () => {
  test.each<[ApartPlace, LetGoCause]>([
    ['hazard', 'made-safe'],
    ['ownership', 'lock-removed'],
    ['ownership', 'owner-agrees'],
    ['unknown-model', 'model-known'],
  ])('from %s because %s: back to triage, with what was the matter settled', (place, because) => {
    const bench = keptApart(place);
    expect(bench.act('unit-let-go', 'u', { because })).toBe('ok');
    const unit = bench.unit();
    expect([unit.stage, unit.apartPlace, unit.disposition]).toEqual(['triage', null, null]);
    expect(unit.marks.some(({ kind }) => kind === 'swelling')).toBe(false);
    expect(unit.marks.some(({ kind }) => kind === 'dent')).toBe(true);
    expect(unit.tests['account-lock']).toBe(because === 'lock-removed' ? 'sound' : 'fault');
  });

  test('a lock of the firmware is a question of ownership too, and both are gone when it is removed', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('test-noted', 'u', { test: 'firmware-lock', result: 'fault' });
    const decide = (disposition: 'build' | 'quarantine') =>
      bench.act('unit-decided', 'u', { disposition, proposed: 'build', apartPlace: null });
    expect(decide('build')).toMatchObject({ reason: 'account-locked' });
    expect(decide('quarantine')).toBe('ok');
    bench.act('unit-let-go', 'u', { because: 'lock-removed' });
    expect(bench.unit().tests).toEqual({ 'firmware-lock': 'sound' });
  });

  test.each<[ApartPlace, LetGoCause]>([
    ['ownership', 'disposed'],
    ['ownership', 'made-safe'],
    ['hazard', 'model-known'],
    ['unknown-model', 'owner-agrees'],
  ])('from %s because %s is refused, and it stays', (place, because) => {
    const bench = keptApart(place);
    expect(bench.act('unit-let-go', 'u', { because })).toMatchObject({ reason: 'not-let-go' });
    expect(bench.unit().stage).toBe('kept-apart');
  });

  test('what is disposed of is recycled, and what is not apart cannot be let go', () => {
    const bench = keptApart('hazard');
    expect(bench.act('unit-let-go', 'u', { because: 'disposed' })).toBe('ok');
    expect(bench.unit().stage).toBe('recycled');
    expect(bench.act('unit-let-go', 'u', { because: 'disposed' })).toMatchObject({ reason: 'wrong-stage' });
  });

  test('a unit whose serial was reported lost may only be kept apart, until its owner agrees', () => {
    const bench = new TestBench();
    bench.identified(phone, 'u', 'SN 55-O');
    bench.world.reportLost(['sn55o']);
    const decide = (disposition: 'donor' | 'quarantine') =>
      bench.act('unit-decided', 'u', { disposition, proposed: 'donor', apartPlace: null });
    expect(decide('donor')).toMatchObject({ reason: 'reported-lost', values: { serial: 'SN 55-O' } });
    expect(bench.unit().stage).toBe('triage');
    expect(decide('quarantine')).toBe('ok');
    expect(bench.act('unit-let-go', 'u', { because: 'owner-agrees' })).toBe('ok');
    expect(decide('donor')).toBe('ok');
    expect(bench.unit().stage).toBe('teardown');
  });

  test('photos are taken where units wait, and stay with the unit', () => {
    const bench = keptApart('unknown-model');
    const photo = { id: 'f', face: null, field: null };
    expect(bench.act('photo-taken', 'u', { photo })).toBe('ok');
    bench.act('unit-let-go', 'u', { because: 'model-known' });
    expect(bench.unit().photos).toEqual([photo]);
    bench.act('test-noted', 'u', { test: 'account-lock', result: 'sound' });
    bench.act('unit-decided', 'u', { disposition: 'recycle', proposed: 'donor', apartPlace: null });
    expect(bench.act('photo-taken', 'u', { photo: { ...photo, id: 'g' } })).toMatchObject({ reason: 'wrong-stage' });
  });

  test('takes the word of a lead', () => {
    expect(isAtLeastRole('technician', definitions['unit-let-go'].saidBy)).toBe(false);
    expect(isAtLeastRole('lead', definitions['unit-let-go'].saidBy)).toBe(true);
  });
});
