import { sayClock, sayCount, sayList, sayMinutes, startCount } from './amounts';

test.each([
  [0.4, '0 min'],
  [14.6, '15 min'],
  [59.6, '1 h 00'],
  [65, '1 h 05'],
  [185, '3 h 05'],
])('%d minutes are %s', (minutes, words) => expect(sayMinutes(minutes)).toBe(words));

test.each([
  [-3, '0:00'],
  [31.9, '0:31'],
  [725, '12:05'],
])('%d seconds are %s', (seconds, words) => expect(sayClock(seconds)).toBe(words));

test('counts and lists read as people say them', () => {
  expect([sayCount(1, 'unit'), sayCount(2, 'unit'), sayCount(2, 'box', 'boxes')]).toEqual([
    '1 unit',
    '2 units',
    '2 boxes',
  ]);
  expect([startCount(0, 'job'), startCount(1, 'job'), startCount(12, 'job'), startCount(13, 'job')]).toEqual([
    'No jobs',
    'One job',
    'Twelve jobs',
    '13 jobs',
  ]);
  expect([sayList([]), sayList(['a']), sayList(['a', 'b']), sayList(['a', 'b', 'c'])]).toEqual([
    '',
    'a',
    'a and b',
    'a, b and c',
  ]);
});
