import fc from 'fast-check';
import { countResult, type Booked, type Seen } from './countBin';

const booked = (tag: string, bin: string | null): Booked => ({ tag, bin, place: bin ? 'shelf' : 'lost' });

test('right, missing, elsewhere, unknown and seen twice', () => {
  const parts = [
    booked('P-1', 'A01'),
    booked('P-2', 'A01'),
    booked('P-3', 'B02'),
    booked('P-4', null),
    booked('P-5', 'A01'),
  ];
  const seen = [
    ...[
      { tag: 'P-1', bin: 'A01' },
      { tag: 'P-1', bin: 'A01' },
      { tag: 'P-3', bin: 'A01' },
    ],
    ...[
      { tag: 'P-4', bin: 'A01' },
      { tag: 'P-9', bin: 'A01' },
      { tag: 'P-5', bin: 'A01' },
      { tag: 'P-5', bin: 'A02' },
    ],
  ];
  const { right, missing, moved, unknown, twice } = countResult(['A01', 'A02'], parts, seen);
  expect(right).toEqual(['P-1']);
  expect(missing.map(({ tag }) => tag)).toEqual(['P-2']);
  expect(moved.map(({ booked: { tag }, seenIn }) => [tag, seenIn])).toEqual([
    ['P-3', 'A01'],
    ['P-4', 'A01'],
  ]);
  expect(unknown).toEqual([{ tag: 'P-9', bin: 'A01' }]);
  expect(twice).toEqual(['P-5']);
});

test('every tag that is booked in a counted bin or was seen is told once, under one head', () => {
  const bins = ['A01', 'A02', 'B01'];
  const tag = fc.integer({ min: 1, max: 9 }).map((no) => `P-${no}`);
  const parts = fc.uniqueArray(fc.record({ tag, bin: fc.option(fc.constantFrom(...bins)) }), {
    selector: (part) => part.tag,
  });
  const sightings = fc.array(fc.record({ tag, bin: fc.constantFrom('A01', 'A02') }));
  fc.assert(
    fc.property(parts, sightings, (given, seen: readonly Seen[]) => {
      const all = given.map((part) => booked(part.tag, part.bin));
      const result = countResult(['A01', 'A02'], all, seen);
      const told = [
        ...result.right,
        ...result.twice,
        ...result.unknown.map((own) => own.tag),
        ...result.missing.map((own) => own.tag),
        ...result.moved.map((own) => own.booked.tag),
      ];
      const due = all.filter(({ bin }) => bin === 'A01' || bin === 'A02').map((own) => own.tag);
      expect(told.sort()).toEqual([...new Set([...due, ...seen.map((own) => own.tag)])].sort());
    }),
  );
});
