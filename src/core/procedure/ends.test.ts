import { after, back, operation, smallModel } from '../../../tests/support/models';
import { expectedMinutes } from '@/core/teardown/attendedMinutes';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet, type SheetRequest } from '@/core/teardown/sheet/runSheet';
import { endOf, usualEnd } from './ends';
import type { Operation } from './operations';
import { operationsFor } from './situation';

const even = (minutes: number) => ({ low: minutes, likely: minutes, high: minutes });
const ends: Operation['ends'] = [
  { id: 'torn', says: 'It tears', chance: 0.2, minutes: even(3) },
  { id: 'clean', says: 'It comes whole', chance: 0.8, frees: ['cell'] },
];
/** A strip that frees the cell, or tears and asks for a thread. */
const model = smallModel(
  [
    operation('strip', { minutes: even(1), ends, back: back({ title: 'Lay it in', places: ['cell'] }) }),
    operation('thread', { minutes: even(5), frees: ['cell'], when: { ends: [{ operation: 'strip', end: 'torn' }] } }),
    operation('speaker', { frees: ['speaker'], after: [after('strip'), after('thread')], back: back() }),
  ],
  {},
);
const situation = { revision: 'a', configuration: 'standard', findings: [] };
const sheet = (given: Partial<SheetRequest>) => {
  const planned = planRunSheet(
    model,
    { ...situation, kind: 'rebuild', targets: ['cell', 'speaker'], ...given },
    startingHouseRules,
  );
  if (!planned.ok) throw new Error(JSON.stringify(planned.refusal));
  return planned.value.steps;
};
const idsOf = (given: Partial<SheetRequest>) => sheet(given).map(({ id }) => id);

test('“Done” is the likeliest end, and an end that is not there is the usual one', () => {
  const [strip] = model.operations as [Operation];
  expect(usualEnd(strip)?.id).toBe('clean');
  expect(endOf(strip, 'torn')?.id).toBe('torn');
  expect(endOf(strip, 'nothing')?.id).toBe('clean');
  expect(usualEnd({})).toBeUndefined();
});

test('the usual end frees what it frees, and a step that exists only after another end is not there', () => {
  const [strip, ...others] = operationsFor(model, situation);
  expect(strip?.frees).toEqual(['cell']);
  expect(others.map(({ id }) => id)).toEqual(['speaker']);
  // Its minutes are what happens on the average: 0.8 · 1 + 0.2 · (3 + 5).
  expect(expectedMinutes(strip as Operation, [])).toBeCloseTo(0.8 * 1 + 0.2 * 8, 9);
});

test('after the other end its own step comes, and the cell goes back once either way', () => {
  expect(idsOf({}).filter((id) => !id.startsWith('gate'))).toEqual([
    'out:strip',
    'out:speaker',
    'back:speaker',
    'back:strip',
  ]);
  const kept = [{ stepId: 'out:strip', tool: 'Hands', cups: [], end: 'torn' }];
  const torn = sheet({ kept });
  expect(torn.map(({ id }) => id).filter((id) => !id.startsWith('gate'))).toEqual([
    'out:strip',
    'out:thread',
    'out:speaker',
    'back:speaker',
    'back:strip',
  ]);
  expect(torn.flatMap(({ places }) => places).sort()).toEqual(['cell', 'speaker']);
});

test('an end that leaves a part behind for good counts as breaking it', () => {
  const bent = smallModel([
    operation('strip', {
      ends: [
        { id: 'clean', says: 'Whole', chance: 0.7, frees: ['cell'] },
        { id: 'bent', says: 'Bent', chance: 0.3 },
      ],
    }),
  ]);
  expect(operationsFor(bent, situation)[0]?.risks).toEqual([{ part: 'cell', chance: 0.3, what: 'Bent' }]);
});
