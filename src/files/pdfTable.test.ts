import { openPdf, mm } from './openPdf';
import { drawTable } from './pdfTable';

/** Pages of a table of so many rows, each with a note of so many words. */
async function pages(rows: number, words: number): Promise<number> {
  const { document, finish } = openPdf({ size: 'A4', margin: mm(20) });
  const columns = [
    { title: 'Tag', widthMm: 30, font: 'mono' as const },
    { title: 'What', widthMm: 140 },
  ];
  drawTable(
    document,
    { leftMm: 20, topMm: 30 },
    columns,
    Array.from({ length: rows }, (_, at) => ({ cells: [`U-${at}`, 'a unit'], note: 'word '.repeat(words) })),
  );
  const pdf = (await finish()).toString('latin1');
  return pdf.match(/\/Type \/Page\b/g)?.length ?? 0;
}

test('a table goes on over as many pages as it takes, and no page is begun for nothing', async () => {
  expect(await pages(0, 0)).toBe(1);
  expect(await pages(1, 5)).toBe(1);
  const [some, twice] = [await pages(40, 5), await pages(80, 5)];
  expect(some).toBeGreaterThan(1);
  expect(twice).toBeGreaterThanOrEqual(2 * some - 1);
  // A longer note takes more lines, so that fewer rows go on a page.
  expect(await pages(40, 60)).toBeGreaterThan(some);
});

test('a row and its note share a page: one row less than fills a page leaves it at one', async () => {
  let fits = 1;
  while ((await pages(fits + 1, 60)) === 1) fits += 1;
  expect(await pages(fits, 60)).toBe(1);
  expect(await pages(fits + 1, 60)).toBe(2);
  expect(await pages(2 * fits, 60)).toBe(2);
});
