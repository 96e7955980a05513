import { orderOfPlan, type CustomerOrder } from './orders';
import { soldAs } from './waysToBuild';

const order: CustomerOrder = {
  ...{ id: 'o', customer: 'Hotel Quay', modelId: 'oddkin-lantern-5', variant: 'g128', atLeast: 'B', count: 6 },
  ...{ dueOn: '2026-12-04', extraCents: 300, missCents: 2500, isFirm: false },
};

test.each([
  ['2026-12-04', 5],
  ['2026-11-29', 1],
  ['2026-11-20', 1],
  [null, null],
])('due on %s, it is due in %s days', (dueOn, days) => {
  expect(orderOfPlan({ ...order, dueOn }, '2026-11-29').days).toBe(days);
});

test('it asks for what units of that model and variant are sold as', () => {
  const of = (variant: string | null) => orderOfPlan({ ...order, variant }, '2026-11-29').sellsAs;
  expect(of('g128')).toBe(soldAs({ id: 'oddkin-lantern-5' } as never, { variant: 'g128' }));
  expect(of(null)).toBe(soldAs({ id: 'oddkin-lantern-5' } as never, { variant: null }));
});
