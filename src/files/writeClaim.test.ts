import { parse } from 'csv-parse/sync';
import { safeCell } from './safeCell';
import { writeClaimCsv, writeClaimPdf, type ClaimSheet } from './writeClaim';

const claim: ClaimSheet = {
  parcel: 'Ferry line, autumn lot',
  supplier: 'Northreach Ferries',
  from: 'Gullwharf Renewal',
  receivedOn: '2026-11-25',
  differences: [
    { kind: 'missing', lineNo: 4, tag: null, promised: '=HYPERLINK("x") Lantern 5', came: 'nothing', cents: 2500 },
    { kind: 'not-on-list', lineNo: null, tag: 'U-0001', promised: 'nothing', came: '-cmd "quoted"\nline', cents: 0 },
  ],
};

describe('the claim', () => {
  test('as CSV goes through a reader as it was written, and no cell is a formula', () => {
    const rows = parse(writeClaimCsv(claim), { columns: true }) as Record<string, string>[];
    expect(rows.map(({ difference, line, amount }) => [difference, line, amount])).toEqual([
      ['did not come', '4', '25.00'],
      ['was not on the list', '', '0.00'],
    ]);
    for (const cell of rows.flatMap((row) => Object.values(row))) expect(cell).not.toMatch(/^[=@+\t]|^-\D/);
    expect(rows[1]?.came).toBe(`'-cmd "quoted"\nline`);
  });

  test.each([
    ['=1+1', "'=1+1"],
    ['@SUM(A1)', "'@SUM(A1)"],
    ['-12.50', '-12.50'],
    ['+3', '+3'],
    ['-x', "'-x"],
    ['Lantern', 'Lantern'],
    ['', ''],
  ])('%j is written as %j', (given, written) => {
    expect(safeCell(given)).toBe(written);
  });

  test('as PDF it has as many pages as it takes', async () => {
    const many = { ...claim, differences: Array.from({ length: 80 }, () => claim.differences[0] as never) };
    const [one, several] = [await writeClaimPdf(claim), await writeClaimPdf(many)];
    const pages = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
    expect(one.subarray(0, 5).toString()).toBe('%PDF-');
    expect([pages(one), pages(several)]).toEqual([1, 3]);
  });
});
