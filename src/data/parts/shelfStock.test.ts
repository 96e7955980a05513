import { talliesOf, type TallyGround } from '@/core/tallies/talliesOf';
import { shelfStock } from './shelfStock';

type TalliedPart = TallyGround['parts'][number];
const part = (given: Partial<TalliedPart>): TalliedPart => ({
  id: 'p',
  partRef: 'display',
  modelId: 'oddkin-lantern-5',
  category: 'display',
  interchange: 'lantern-5-display',
  grade: 'B',
  place: 'shelf',
  bin: 'A01',
  carries: [],
  ...given,
});

function stockOf(parts: readonly TalliedPart[]) {
  const unit = { parcelId: 'l', lineNo: null, modelId: null, disposition: null, tests: {}, marks: [] };
  const tallies = talliesOf({ unit: { ...unit, stage: 'spent' }, parts, facts: [], classOf: () => undefined });
  const of = (kind: string) => tallies.filter((tally) => tally.kind === kind);
  return shelfStock({ stock: of('stock'), whole: of('whole') });
}

test('stock counts the shelf by class, with its best grade', () => {
  const parts = [
    part({}),
    part({ grade: 'A' }),
    part({ interchange: 'reed_cell', partRef: 'battery' }),
    part({ place: 'scrap', grade: 'A', bin: null }),
  ];
  expect(stockOf(parts)).toEqual({
    'lantern-5-display': { grade: 'A', count: 2 },
    reed_cell: { grade: 'B', count: 1 },
  });
});

test('of an assembly, stock knows one of the best grade with most still on it', () => {
  const set = { interchange: 'quay-set' };
  const parts = [
    part({ ...set, grade: 'B', carries: ['tilt'] }),
    part({ ...set, grade: 'B', carries: ['tilt', 'camera'], modelId: 'quay' }),
    part({ ...set, grade: 'C', carries: ['tilt', 'camera', 'mic'] }),
  ];
  expect(stockOf(parts)['quay-set']).toEqual({
    grade: 'B',
    count: 3,
    whole: { modelId: 'quay', carries: ['tilt', 'camera'] },
  });
});

test('what is on an assembly is told as far as it fits', () => {
  const carries = Array.from({ length: 30 }, (_, at) => `part-with-a-long-name-${at}`);
  const [stock] = Object.values(stockOf([part({ carries })]));
  const told = stock?.whole?.carries ?? [];
  expect(told.length).toBeGreaterThan(10);
  expect(carries.slice(0, told.length)).toEqual(told);
});
