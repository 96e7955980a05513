import { cellDue } from './cellDue';

const day = 24 * 3600 * 1000;
const cell = (restVolt?: number, ratedVolt?: number) =>
  cellDue({
    category: 'battery',
    place: 'shelf',
    storedAt: '2026-11-01T00:00:00.000Z',
    cell: {
      ...(restVolt !== undefined && { restVolt }),
      ...(ratedVolt !== undefined && {
        label: { type: 'x', ratedAmpHours: 4, ratedVolt, limitVolt: ratedVolt * 1.14 },
      }),
    },
  });
const daysOf = (due: ReturnType<typeof cell>) =>
  due && Math.round((Date.parse(due.at) - Date.parse('2026-11-01T00:00:00Z')) / day);

test.each([
  ['nobody read it', undefined, undefined, 90, 'unknown'],
  ['where it keeps best', 3.8, 3.85, 120, 'right'],
  ['full', 4.2, 3.85, 14, 'too-full'],
  ['rather full', 4.0, 3.85, 45, 'full'],
  ['low', 3.5, 3.85, 30, 'low'],
  ['too low: at once', 3.2, 3.85, 0, 'too-low'],
  ['three in series, of which each is right', 11.4, 11.4, 120, 'right'],
  ['three in series without a label', 10.2, undefined, 30, 'low'],
] as const)('%s', (_, restVolt, ratedVolt, days, keeping) => {
  const due = cell(restVolt, ratedVolt);
  expect([daysOf(due), due?.days, due?.keeping]).toEqual([days, days, keeping]);
});

test('what is no cell, lies nowhere or nobody knows since when is never due', () => {
  const lying = { category: 'battery', place: 'shelf', storedAt: '2026-11-01T00:00:00.000Z' } as const;
  expect(cellDue({ ...lying, category: 'display' })).toBeNull();
  expect(cellDue({ ...lying, place: 'fitted' })).toBeNull();
  expect(cellDue({ category: 'battery', place: 'shelf' })).toBeNull();
  expect(cellDue({ ...lying, place: 'reserved' })).not.toBeNull();
});
