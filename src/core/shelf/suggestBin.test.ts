import { suggestBin } from './suggestBin';

const bins = ['A01', 'A02', 'A03'];
const part = { interchange: 'x', grade: 'B' } as const;

describe('suggestBin', () => {
  test.each([
    [
      'its own class and grade first',
      [
        { ...part, bin: 'A03' },
        { ...part, grade: 'C', bin: 'A02' },
      ],
      'A03',
    ],
    ['then a bin of its class', [{ ...part, grade: 'C', bin: 'A02' }], 'A02'],
    ['then an empty one', [{ interchange: 'y', grade: 'B', bin: 'A01' }], 'A02'],
    ['then any with room', bins.map((bin) => ({ interchange: 'y', grade: 'B' as const, bin })), 'A01'],
  ] as const)('%s', (_, stored, bin) => {
    expect(suggestBin(part, stored, bins, 2)).toBe(bin);
  });

  test('a full bin is passed over, and a full shelf has none', () => {
    const full = bins.flatMap((bin) => [0, 1].map(() => ({ ...part, bin })));
    expect(suggestBin(part, full.slice(0, 2), bins, 2)).toBe('A02');
    expect(suggestBin(part, full, bins, 2)).toBeUndefined();
  });
});
