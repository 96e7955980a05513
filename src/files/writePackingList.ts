import { mm, openPdf } from './openPdf';
import { drawTable } from './pdfTable';
import * as words from '@/words/catalogue/papers';

export interface PackingLine {
  readonly tag: string;
  readonly what: string;
  readonly serial: string;
  readonly grade: string;
  readonly statement: string;
}

export interface PackingList {
  readonly shipment: string;
  readonly from: string;
  readonly recipient: string;
  readonly sentOn: string;
  readonly lines: readonly PackingLine[];
}

/** The packing list of a shipment: what is in it, with each unit's statement. A4, as many pages as it takes. */
export async function writePackingList(list: PackingList): Promise<Buffer> {
  const { document, finish } = openPdf({ size: 'A4', margin: mm(20) });
  document
    .font('bold')
    .fontSize(20)
    .text(words.packingList({ shipment: list.shipment }), mm(20), mm(20));
  document
    .font('body')
    .fontSize(11)
    .text(
      words.toUnits({ from: list.from, recipient: list.recipient, sentOn: list.sentOn, lines: list.lines.length }),
      mm(20),
      mm(31),
      { width: mm(170) },
    );
  drawTable(
    document,
    { leftMm: 20, topMm: document.y / mm(1) + 6 },
    [
      { title: words.tag(), widthMm: 26, font: 'mono' },
      { title: words.unit(), widthMm: 68 },
      { title: words.serial(), widthMm: 56 },
      { title: words.grade(), widthMm: 20 },
    ],
    list.lines.map(({ tag, what, serial, grade, statement }) => ({
      cells: [tag, what, serial, grade],
      note: statement,
    })),
  );
  return finish();
}
