import { handset } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { openJoints } from './openJoints';

const planned = planRunSheet(
  handset,
  {
    kind: 'rebuild',
    targets: ['battery'],
    revision: handset.revisions[0]?.id ?? null,
    configuration: handset.configurations[0]?.id ?? null,
    findings: [],
  },
  startingHouseRules,
);
if (!planned.ok) throw new Error('no plan');
const { steps } = planned.value;
const withJoints = steps.filter(({ joints }) => joints.length > 0);
const idsOf = (step: SheetStep | undefined) => step?.joints.map(({ id }) => id) ?? [];

describe('openJoints', () => {
  test('what the step under way opens counts, and what is done', () => {
    const [first, second] = withJoints;
    const open = openJoints(steps, [first?.id ?? ''], second as SheetStep);
    expect([...open].sort()).toEqual([...new Set([...idsOf(first), ...idsOf(second)])].sort());
  });

  test('when everything is back, only what stays open is open', () => {
    const last = steps.at(-1) as SheetStep;
    const open = openJoints(
      steps,
      steps.map(({ id }) => id),
      { ...last, joints: [] },
    );
    const closed = new Set(steps.filter(({ leg }) => leg === 'back').flatMap(idsOf));
    expect([...open].filter((id) => closed.has(id))).toEqual([]);
  });
});
