import { benchId, judgeBench, type WorkBench } from './benches';

const benches: readonly WorkBench[] = [
  { id: 'bench-1', name: 'Bench 1', isInUse: true },
  { id: 'desk', name: 'Desk', isInUse: false },
];

test('a new bench has an id that can be read, is short, and is its own', () => {
  expect(benchId('Bench 2', benches)).toBe('bench-2');
  expect(benchId(' bench: 1 ', benches)).toBe('bench-1-2');
  expect(benchId('Löttisch hinten links am Fenster', benches)).toBe('lo-ttisch-hinten-lin');
  expect(benchId('作業台', benches)).toBe('bench');
  expect(benchId('Löttisch hinten links am Fenster', benches)).toHaveLength(20);
});

test('names are told apart, and one bench stays in use', () => {
  expect(judgeBench(benches, { id: 'new', name: ' bench  1', isInUse: true })).toMatchObject({
    refusal: { reason: 'name-taken' },
  });
  expect(judgeBench(benches, { id: 'bench-1', name: 'Bench 1', isInUse: false })).toMatchObject({
    refusal: { reason: 'last-bench' },
  });
  expect(judgeBench(benches, { id: 'bench-1', name: ' Heat  bench', isInUse: true })).toMatchObject({
    ok: true,
    value: { name: 'Heat bench' },
  });
});
