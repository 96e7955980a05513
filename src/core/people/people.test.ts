import { definitions, factTypes } from '@/core/shop/facts';
import { afterWrongPin, heldUntil, lockMinutes, pinTries, type PinState } from './lockOut';
import { isAtLeastRole, mayTakeBack } from './roles';

const now = new Date('2026-11-25T09:00:00Z');
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);

describe('lock-out', () => {
  test('wrong PINs slow down before they lock: every fifth in a row, for five minutes', () => {
    let state: PinState = { failedCount: 0, lastAt: now, lockedUntil: null };
    const pauses: number[] = [];
    for (let tried = 1; tried < pinTries; tried += 1) {
      state = afterWrongPin(state, now);
      expect([state.failedCount, heldUntil(state, now)?.isLock ?? false]).toEqual([tried, false]);
      pauses.push(((heldUntil(state, now)?.until ?? now).getTime() - now.getTime()) / 1000);
    }
    expect(pauses).toEqual([0, 2, 5, 10]);
    expect(heldUntil(state, new Date(now.getTime() + 9_999))).toBeDefined();
    expect(heldUntil(state, new Date(now.getTime() + 10_000))).toBeUndefined();
    state = afterWrongPin(state, now);
    expect(heldUntil(state, later(lockMinutes - 0.01))).toEqual({ until: later(lockMinutes), isLock: true });
    expect(heldUntil(state, later(lockMinutes))).toBeUndefined();
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
