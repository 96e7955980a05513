import type { PlanRow } from '@/core/matching/planView';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { wishOfDrop } from './dragging';

const fill = { slot: 'display', name: 'display', is: 'donor', from: 'U-9', part: 'display', grade: 'B', cents: 1 };
const row = (tag: string, cells: readonly object[]) =>
  ({ tag, fate: 'build', sellsAt: 'B', cells }) as unknown as PlanRow;
const rows = [
  row('U-1', [
    { slot: 'display', fill },
    { slot: 'port', fill: null },
  ]),
  row('U-2', [
    { slot: 'screen', fill: null },
    { slot: 'port', fill: null },
  ]),
];
const need = (slot: string, of: string) => ({ slot, of, atLeast: 'B', share: 1 });
const units = [
  { tags: ['U-1'], builds: [{ needs: [need('display', 'panel'), need('port', 'socket')] }] },
  { tags: ['U-2', 'U-3'], builds: [{ needs: [need('screen', 'panel'), need('port', 'socket')] }] },
];
const problem = { units } as unknown as MatchProblem;
const drop = (from: string, onto: string) => wishOfDrop(rows, problem, from, onto);

test('a unit on a button is pinned as it is, forbidden, or left out', () => {
  expect(drop('U-1', 'pin')).toEqual({ is: 'wish', wish: { tag: 'U-1', fate: 'build', grade: 'B', is: 'pinned' } });
  expect(drop('U-1', 'never')).toEqual({ is: 'wish', wish: { tag: 'U-1', fate: 'build', is: 'forbidden' } });
  expect(drop('U-1', 'leave-out')).toEqual({ is: 'wish', wish: { tag: 'U-1', fate: 'hold', is: 'pinned' } });
});

test('a part on a button, or on a slot that takes it', () => {
  const from = { slot: 'display', from: 'U-9' };
  expect(drop('U-1|display', 'pin')).toEqual({ is: 'slot-wish', wish: { tag: 'U-1', ...from, is: 'pinned' } });
  expect(drop('U-1|display', 'never')).toEqual({ is: 'slot-wish', wish: { tag: 'U-1', ...from, is: 'forbidden' } });
  expect(drop('U-1|display', 'U-2|screen')).toEqual({
    is: 'slot-wish',
    wish: { tag: 'U-2', slot: 'screen', from: 'U-9', is: 'pinned' },
  });
});

test('what does not fit is said; what means nothing does nothing', () => {
  expect(drop('U-1|display', 'U-2|port')).toEqual({ is: 'misfit' });
  expect(drop('U-1|display', 'U-2|no-such')).toEqual({ is: 'misfit' });
  for (const [from, onto] of [
    ['U-1|port', 'pin'],
    ['U-1|display', 'U-1|display'],
    ['U-1|display', 'leave-out'],
    ['U-1', 'U-2|screen'],
    ['U-7', 'pin'],
  ] as const)
    expect(drop(from, onto)).toBeNull();
});
