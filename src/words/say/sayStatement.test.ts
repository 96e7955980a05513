import { findings } from '@/core/procedure/vocabulary';
import { findingRules } from '@/core/findings/rules';
import { sayStatement } from './sayStatement';

const plain = { fitted: {}, marks: [], found: [] };

test('a unit that was opened says so, and that water may get in', () => {
  expect(sayStatement(plain)).toBe('Data wiped. Not opened here.');
  expect(sayStatement({ ...plain, fitted: { display: 'p' } })).toContain('water resistance not guaranteed');
});

test.each(findings)('%s is stated when the table says so, marked or found at the bench', (finding) => {
  const { isStated } = findingRules[finding];
  const marked = sayStatement({ ...plain, marks: [{ kind: finding, face: 'back', field: 5 }] });
  expect(marked !== sayStatement(plain)).toBe(isStated);
  expect(sayStatement({ ...plain, found: [finding] })).toBe(marked);
});
