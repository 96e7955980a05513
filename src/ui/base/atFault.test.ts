import { refuse } from '@/core/shared/outcome';
import { atFault } from './atFault';

const refusal = (...given: Parameters<typeof refuse>) => {
  const outcome = refuse(...given);
  return outcome.ok ? null : outcome.refusal;
};

test('the field that was refused is marked, and no other', () => {
  const wrong = refusal('bad-input', { field: 'certifiedUntil', says: 'a day is year-month-day' });
  expect(atFault(wrong, 'certifiedUntil')).toEqual({ 'aria-invalid': true });
  expect(atFault(wrong, 'name')).toEqual({});
  expect(atFault(refusal('name-taken', { name: 'Imke' }), 'name')).toEqual({ 'aria-invalid': true });
  expect(atFault(refusal('server-away'), 'name')).toEqual({});
  expect(atFault(null, 'name')).toEqual({});
});
