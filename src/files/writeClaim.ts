import { stringify } from 'csv-stringify/sync';
import type { Difference } from '@/core/intake/parcelDifferences';
import { mm, openPdf } from './openPdf';
import { safeCell } from './safeCell';

/** What a supplier is asked about. */
export interface ClaimSheet {
  readonly parcel: string;
  readonly supplier: string;
  readonly from: string;
  readonly receivedOn: string;
  readonly differences: readonly Difference[];
}

const kindWords: Readonly<Record<Difference['kind'], string>> = {
  missing: 'did not come',
  'not-on-list': 'was not on the list',
  'other-model': 'is another model',
  'other-serial': 'has another serial',
  locked: 'is locked to an account',
};

const amount = (cents: number): string => (cents / 100).toFixed(2);

/** The claim as CSV: one row for each difference. */
export const writeClaimCsv = ({ differences }: ClaimSheet): string =>
  stringify(
    differences.map(({ kind, lineNo, tag, promised, came, cents }) =>
      [kindWords[kind], lineNo === null ? '' : String(lineNo), tag ?? '', promised, came, amount(cents)].map(safeCell),
    ),
    { header: true, columns: ['difference', 'line', 'tag', 'promised', 'came', 'amount'] },
  );

/** The claim as a letter: A4, as many pages as it takes, with the sum. */
export async function writeClaimPdf(claim: ClaimSheet): Promise<Buffer> {
  const { document, finish } = openPdf({ size: 'A4', margin: mm(20) });
  const total = claim.differences.reduce((sum, { cents }) => sum + cents, 0);
  document
    .font('bold')
    .fontSize(20)
    .text(`Differences in “${claim.parcel}”`, mm(20), mm(20), { width: mm(170) });
  document.font('body').fontSize(11);
  document.text(
    `${claim.from} to ${claim.supplier}. Received ${claim.receivedOn}: ${claim.differences.length} differences against your list, ${amount(total)} in all.`,
    mm(20),
    document.y + mm(3),
    { width: mm(170) },
  );
  let y = document.y / mm(1) + 8;
  for (const { kind, lineNo, tag, promised, came, cents } of claim.differences) {
    if (y > 268) {
      document.addPage();
      y = 20;
    }
    document
      .moveTo(mm(20), mm(y - 2))
      .lineTo(mm(190), mm(y - 2))
      .lineWidth(0.4)
      .stroke('#D8CDB8');
    const cell = (text: string, at: number, width: number, font = 'body') =>
      document
        .font(font)
        .fontSize(10.5)
        .text(text, mm(at), mm(y), { width: mm(width), height: mm(5), ellipsis: true });
    cell(lineNo === null ? 'extra' : `line ${lineNo}`, 20, 18, 'mono');
    cell(tag ?? '', 38, 22, 'mono');
    cell(`${promised} ${kindWords[kind]}${kind === 'missing' || kind === 'locked' ? '' : `: ${came}`}`, 60, 108);
    cell(amount(cents), 168, 22, 'bold');
    y += 9;
  }
  return finish();
}
