import { mm, openPdf } from './openPdf';

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

const columns = [
  { title: 'Tag', at: 20, width: 24, of: (line: PackingLine) => line.tag },
  { title: 'Unit', at: 46, width: 64, of: (line: PackingLine) => line.what },
  { title: 'Serial', at: 112, width: 44, of: (line: PackingLine) => line.serial },
  { title: 'Grade', at: 158, width: 14, of: (line: PackingLine) => line.grade },
] as const;

/** The packing list of a shipment: what is in it, with each unit's statement. A4, as many pages as it takes. */
export async function writePackingList(list: PackingList): Promise<Buffer> {
  const { document, finish } = openPdf({ size: 'A4', margin: mm(20) });
  document.font('bold').fontSize(20).text(`Packing list ${list.shipment}`, mm(20), mm(20));
  document
    .font('body')
    .fontSize(11)
    .text(`${list.from} to ${list.recipient}, ${list.sentOn}. ${list.lines.length} units.`, mm(20), mm(31));
  let y = 45;
  const head = () => {
    document.font('bold').fontSize(10);
    for (const { title, at } of columns) document.text(title, mm(at), mm(y), { lineBreak: false });
    y += 7;
  };
  head();
  for (const line of list.lines) {
    if (y > 265) {
      document.addPage();
      y = 20;
      head();
    }
    document
      .moveTo(mm(20), mm(y - 1.5))
      .lineTo(mm(190), mm(y - 1.5))
      .lineWidth(0.4)
      .stroke('#D8CDB8');
    for (const column of columns) {
      document.font(column.title === 'Tag' ? 'mono' : 'body').fontSize(10.5);
      document.text(column.of(line), mm(column.at), mm(y), { width: mm(column.width), height: mm(6), ellipsis: true });
    }
    document
      .font('body')
      .fontSize(8.5)
      .text(line.statement, mm(46), mm(y + 5.5), { width: mm(140), height: mm(5), ellipsis: true });
    y += 13;
  }
  return finish();
}
