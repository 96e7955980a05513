import { stringify } from 'csv-stringify/sync';
import type { Difference } from '@/core/intake/parcelDifferences';
import { mm, openPdf } from './openPdf';
import { drawTable } from './pdfTable';
import { safeCell } from './safeCell';
import { say } from '@/words/catalogue/core/intake';
import * as words from '@/words/catalogue/papers';
import { day, money } from '@/words/format';

/** What a supplier is asked about. */
export interface ClaimSheet {
  readonly parcel: string;
  readonly supplier: string;
  readonly from: string;
  readonly receivedOn: string;
  readonly differences: readonly Difference[];
}

const kindWords: Readonly<Record<Difference['kind'], string>> = {
  missing: words.didNotCome(),
  'not-on-list': words.wasNotOnList(),
  'other-model': words.differentModel(),
  'other-serial': words.hasDifferentSerial(),
  locked: words.lockedToAccount(),
};

/** As a reader of tables wants it: no currency, a point. */
const amount = (cents: number): string => (cents / 100).toFixed(2);

/** The claim as CSV: one row for each difference. */
export const writeClaimCsv = ({ differences }: ClaimSheet): string =>
  stringify(
    differences.map(({ kind, lineNo, tag, promised, came, cents }) =>
      [kindWords[kind], lineNo === null ? '' : String(lineNo), tag ?? '', say(promised), say(came), amount(cents)].map(
        safeCell,
      ),
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
    .text(words.differencesIn({ parcel: claim.parcel }), mm(20), mm(20), { width: mm(170) });
  document.font('body').fontSize(11);
  document.text(
    words.toReceivedDifferencesFromYour({
      from: claim.from,
      supplier: claim.supplier,
      receivedOn: day(claim.receivedOn),
      differences: claim.differences.length,
      total: money(total),
    }),
    mm(20),
    document.y + mm(3),
    { width: mm(170) },
  );
  drawTable(
    document,
    { leftMm: 20, topMm: document.y / mm(1) + 6 },
    [
      { title: words.line(), widthMm: 20, font: 'mono' },
      { title: words.tag(), widthMm: 22, font: 'mono' },
      { title: words.difference(), widthMm: 104 },
      { title: words.amount(), widthMm: 24, font: 'bold' },
    ],
    claim.differences.map((difference) => ({
      cells: [
        difference.lineNo === null ? words.extra() : String(difference.lineNo),
        difference.tag ?? '',
        sayDifference(difference),
        money(difference.cents),
      ],
    })),
  );
  return finish();
}

/** What was promised, what became of it, and what came instead where something did. */
function sayDifference({ kind, promised, came }: Difference): string {
  const said = { promised: say(promised), what: kindWords[kind] };
  return kind === 'missing' || kind === 'locked'
    ? words.promisedAnd(said)
    : words.promisedAndCame({ ...said, came: say(came) });
}
