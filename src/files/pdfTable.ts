import { mm } from './openPdf';

/** One column of a table in a paper. */
export interface PaperColumn {
  readonly title: string;
  readonly widthMm: number;
  readonly font?: 'body' | 'bold' | 'mono';
}

/** A row: a text for each column, and what is said of it below, over all columns but the first. */
export interface PaperRow {
  readonly cells: readonly string[];
  readonly note?: string;
}

const rule = '#D8CDB8';
const heading = { font: 'bold', size: 10 } as const;
const cell = { font: 'body', size: 10.5 } as const;
const note = { font: 'body', size: 8.5 } as const;

/** Room around the text of a cell. */
const padding = { topMm: 1.2, rightMm: 2, bottomMm: 1.2 } as const;

/**
 * A table on as many pages as it takes: the titles over the columns of each, a thin line over each row, and no row parted
 * from its note.
 */
export function drawTable(
  document: PDFKit.PDFDocument,
  from: { readonly leftMm: number; readonly topMm: number },
  columns: readonly PaperColumn[],
  rows: readonly PaperRow[],
): void {
  const bottom = document.page.height - document.page.margins.bottom;
  let table = begin(document, from, columns);
  let y = mm(from.topMm) + titleHeight;
  for (const row of rows) {
    const height = heightOf(document, columns, row);
    if (y + height > bottom) {
      table.end();
      document.addPage();
      const topMm = document.page.margins.top / mm(1);
      table = begin(document, { ...from, topMm }, columns);
      y = mm(topMm) + titleHeight;
    }
    y += height;
    table.row(
      row.cells.map((text, at) => ({
        text,
        border: [0.4, 0, 0, 0],
        font: { src: columns[at]?.font ?? cell.font, size: cell.size },
      })),
    );
    if (row.note)
      table.row([
        '',
        {
          text: row.note,
          colSpan: columns.length - 1,
          padding: [0, 0, mm(padding.bottomMm), 0],
          font: { src: note.font, size: note.size },
        },
      ]);
  }
  table.end();
}

const titleHeight = mm(6);

function begin(
  document: PDFKit.PDFDocument,
  { leftMm, topMm }: { readonly leftMm: number; readonly topMm: number },
  columns: readonly PaperColumn[],
): PDFKit.Mixins.PDFTableObject {
  document.font(heading.font).fontSize(heading.size);
  columns.reduce((atMm, { title, widthMm }) => {
    document.text(title, mm(atMm), mm(topMm), { lineBreak: false });
    return atMm + widthMm;
  }, leftMm);
  return document
    .font(cell.font)
    .fontSize(cell.size)
    .table({
      position: { x: mm(leftMm), y: mm(topMm) + titleHeight },
      columnStyles: columns.map(({ widthMm }) => ({ width: mm(widthMm) })),
      defaultStyle: {
        border: [0, 0, 0, 0],
        borderColor: rule,
        padding: [mm(padding.topMm), mm(padding.rightMm), mm(padding.bottomMm), 0],
      },
    });
}

function heightOf(document: PDFKit.PDFDocument, columns: readonly PaperColumn[], row: PaperRow): number {
  const cells = row.cells.map((text, at) => {
    const { font = cell.font, widthMm } = columns[at] as PaperColumn;
    return document
      .font(font)
      .fontSize(cell.size)
      .heightOfString(text, { width: mm(widthMm - padding.rightMm) });
  });
  const restMm = columns.slice(1).reduce((sum, { widthMm }) => sum + widthMm, 0);
  const noted = row.note
    ? document
        .font(note.font)
        .fontSize(note.size)
        .heightOfString(row.note, { width: mm(restMm) }) + mm(padding.bottomMm)
    : 0;
  return Math.max(...cells) + mm(padding.topMm + padding.bottomMm) + noted;
}
