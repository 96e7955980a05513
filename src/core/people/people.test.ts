import { definitions, factTypes } from '@/core/shop/facts';
import { afterWrongPin, isLocked, lockMinutes, pinTries } from './lockOut';
import { isAtLeastRole, mayTakeBack } from './roles';

const now = new Date('2026-11-25T09:00:00Z');
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);

describe('lock-out', () => {
  test('every fifth wrong PIN in a row locks for five minutes', () => {
    let state = { failedCount: 0, lockedUntil: null as Date | null };
    for (let tried = 1; tried < pinTries; tried += 1) {
      state = afterWrongPin(state, now);
      expect([state.failedCount, isLocked(state, now)]).toEqual([tried, false]);
    }
    state = afterWrongPin(state, now);
    expect(isLocked(state, later(lockMinutes - 0.01))).toBe(true);
    expect(isLocked(state, later(lockMinutes))).toBe(false);
  });
});

describe('roles', () => {
  test('a viewer records nothing, a technician every fact but what takes a lead’s word', () => {
    expect(factTypes.some((type) => isAtLeastRole('viewer', definitions[type].saidBy))).toBe(false);
    const forLeads = factTypes.filter((type) => !isAtLeastRole('technician', definitions[type].saidBy));
    expect(forLeads).toEqual(['unit-let-go', 'hazard-cleared']);
    expect(isAtLeastRole('lead', 'technician')).toBe(true);
  });

  test('own facts are taken back by oneself, those of others by a lead', () => {
    expect(mayTakeBack({ id: 'a', role: 'technician' }, 'a')).toBe(true);
    expect(mayTakeBack({ id: 'a', role: 'technician' }, 'b')).toBe(false);
    expect(mayTakeBack({ id: 'a', role: 'lead' }, 'b')).toBe(true);
  });
});
