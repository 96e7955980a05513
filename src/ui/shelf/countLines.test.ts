import { emptyCount, readCountList, withCode } from './countLines';

test('a bin opens, parts are seen in it once each, and what is neither changes nothing', () => {
  let count = withCode(emptyCount, 'BIN-A07') ?? emptyCount;
  for (const code of ['p20412', 'P-20412', 'P-00033']) count = withCode(count, code) ?? count;
  expect(withCode(count, 'U-0712')).toBeNull();
  expect(withCode(count, 'glove')).toBeNull();
  expect(withCode(emptyCount, 'P-20412')).toBeNull();
  count = withCode(count, 'b02') ?? count;
  expect(count).toEqual({
    bins: ['A07', 'B02'],
    seen: [
      { tag: 'P-20412', bin: 'A07' },
      { tag: 'P-00033', bin: 'A07' },
    ],
  });
  // Opened again it is the open one, with what was seen in it.
  expect(withCode(count, 'A07')?.bins).toEqual(['B02', 'A07']);
});

test('a list has a code a line, or tag and bin in either order; what cannot be read is told by its line', () => {
  const text = 'tag;bin\r\nP-20412;A07\r\n"A08";"P-20413"\n\nBIN-B01\nP-20414\nwhat\nU-0712,A01\n';
  expect(readCountList(text)).toEqual({
    count: {
      bins: ['A07', 'A08', 'B01'],
      seen: [
        { tag: 'P-20412', bin: 'A07' },
        { tag: 'P-20413', bin: 'A08' },
        { tag: 'P-20414', bin: 'B01' },
      ],
    },
    unread: [7, 8],
  });
  expect(readCountList('').count).toEqual(emptyCount);
});
